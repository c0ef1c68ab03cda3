<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Renew;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\App\Web\KeptInput;
use NimbleKnuckle\App\Web\Typed;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Renewal\Came;
use NimbleKnuckle\Core\Bench\Renewal\RenewList;
use NimbleKnuckle\Core\Bench\Renewal\Worn;
use NimbleKnuckle\Core\Bench\Renewal\WornBy;
use NimbleKnuckle\Core\CoreException;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use Psr\Clock\ClockInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Reuse or renew: what came off, each with its rule, judged by what was measured; what is new is on the list of parts. */
final class RenewController extends AbstractController
{
    private const FIELDS = ['part' => '', 'name' => '', 'by' => '', 'value' => '', 'least' => '', 'most' => '', 'reason' => ''];

    public function __construct(
        private readonly FitBook $fits, private readonly Recorder $recorder, private readonly KeptInput $typed,
        private readonly ClockInterface $clock, private readonly ProcedureShelf $procedures,
    ) {
    }

    #[Route('/fits/{id}/renew', name: 'renew', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['GET'])]
    public function page(string $id, Request $request): Response
    {
        $record = $this->fits->get($id);
        $fit = $this->recorder->load($record);
        $list = RenewList::of($fit);
        $part = $request->query->getString('part');
        $worn = $list->judged[$part] ?? null;
        $typed = $this->typed->of(self::form($id));

        return $this->render('renew/page.html.twig', [
            'record' => $record, 'fit' => $fit, 'list' => $list, 'part' => $list->came[$part] ?? null, 'isOther' => 'other' === $part,
            'typed' => ($typed['part'] ?? null) === $part ? $typed : self::said($worn), 'ways' => WornBy::cases(),
            'jobs' => $this->jobs($record, $list), 'isOpen' => null === $fit->state->signed && null === $fit->state->stopped,
        ]);
    }

    #[Route('/fits/{id}/renew', name: 'judge_part', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['POST'])]
    public function judge(string $id, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $given = Typed::texts($request->request->all(), self::FIELDS);
        try {
            $this->recorder->record($this->fits->get($id), [$this->event($id, $given, $request, $person->name)], $person->hand());
            $this->typed->drop(self::form($id));
        } catch (CoreException $e) {
            $this->typed->keep(self::form($id), $given);
            $this->addFlash('bad', $e->getMessage());

            return $this->redirectToRoute('renew', ['id' => $id, 'part' => $given['part'], '_fragment' => 'judge'],
                Response::HTTP_SEE_OTHER);
        }

        return $this->redirectToRoute('renew', ['id' => $id], Response::HTTP_SEE_OTHER);
    }

    /**
     * @param array<string, string> $given
     *
     * @throws CoreException
     */
    private function event(string $id, array $given, Request $request, string $by): FitEvent
    {
        $came = RenewList::of($this->recorder->load($this->fits->get($id)))->came[$given['part']] ?? null;
        $unit = WornBy::tryFrom($given['by'])?->unit();
        $numbers = [];
        foreach (['value' => 'What was read', 'least' => 'The least', 'most' => 'The most'] as $field => $said) {
            if ('' !== $given[$field] && '' !== (string) $unit) {
                $numbers[$field] = 'mm' === $unit ? Typed::number($given, $field, Kind::Length, $said) : Notation::read(
                    Kind::Number, $given[$field],
                )->value();
            }
        }

        return FitEvent::of($request->request->getString('event'), EventType::PartJudged, [
            'part' => null === $came ? Came::key($given['name']) : $came->id, 'name' => $came->name ?? $given['name'],
            'verdict' => $request->request->getString('verdict'), 'by' => $given['by'], 'reason' => $given['reason'],
        ] + $numbers, $by, $this->clock->now());
    }

    /** @return array<string, string> as it was judged, for the form */
    private static function said(?Worn $worn): array
    {
        if (null === $worn) {
            return [];
        }
        $said = ['by' => $worn->by->value, 'reason' => $worn->event->string('reason')];
        foreach (['value', 'least', 'most'] as $field) {
            $said[$field] = $worn->event->float($field) > 0.0 ? (string) $worn->event->float($field) : '';
        }

        return $said;
    }

    /** @return array<string, string> procedure => title, of jobs that fit what is new and are not on the sheet */
    private function jobs(FitRecord $record, RenewList $list): array
    {
        $roles = array_filter(array_map(static fn (Worn $worn): string => $worn->came->role, $list->renewed()));
        $jobs = [];
        foreach ([] === $roles ? [] : $this->procedures->all() as $id => $procedure) {
            if (!in_array($id, $record->procedures, true) && [] !== array_intersect($roles, $procedure->needs->items)) {
                $jobs[$id] = $procedure->title;
            }
        }

        return $jobs;
    }

    private static function form(string $id): string
    {
        return 'renew.'.$id;
    }
}
