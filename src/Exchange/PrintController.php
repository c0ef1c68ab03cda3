<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

use NimbleKnuckle\App\Bench\StepSum;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Kit\KitReader;
use NimbleKnuckle\App\Logbook\DueBook;
use NimbleKnuckle\App\Photos\PhotoView;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\Told\FitNarrative;
use NimbleKnuckle\Core\Plan\Phase;
use Psr\Clock\ClockInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What goes on paper: the sheet to hang at the bench, pick list, tray labels, the record, and what the customer gets. */
final class PrintController extends AbstractController
{
    private const FIT = ['id' => '[0-9A-Z]{26}'];

    public function __construct(
        private readonly FitBook $fits, private readonly Recorder $recorder, private readonly DueBook $dues,
        private readonly ClockInterface $clock, private readonly StepSum $sums, private readonly KitReader $kit,
        private readonly PaperTrail $paper, private readonly Paper $pdf,
    ) {
    }

    #[Route(
        '/fits/{id}/print/{kind}', name: 'print', requirements: self::FIT + ['kind' => 'sheet|list|record|hand-over'], methods: ['GET'],
    )]
    public function print(string $id, string $kind): Response
    {
        $record = $this->fits->get($id);
        $fit = $this->recorder->load($record);

        return $this->pdf->of(
            $this->renderView(sprintf('exchange/print_%s.html.twig', strtr($kind, '-', '_')), $this->view($record, $fit, $kind) + [
                'printed' => $this->paper->pictures($fit, $id, $kind),
            ]),
            $kind.'-'.$record->vehicle->id,
        );
    }

    /** Two ways to print labels, and from which one on, where a sheet was begun before. */
    #[Route('/fits/{id}/labels', name: 'labels', requirements: self::FIT, methods: ['GET'])]
    public function labels(string $id, Request $request): Response
    {
        $record = $this->fits->get($id);
        $labels = (new Printed($this->recorder->load($record), $this->kit->kit()))->labels();
        $sheet = LabelSheet::tryFrom($request->query->getString('sheet'));
        $view = ['record' => $record, 'labels' => $labels, 'sheets' => LabelSheet::cases()];
        if (null === $sheet) {
            return $this->render('exchange/labels.html.twig', $view);
        }
        $from = min($sheet->across() * $sheet->down(), max(1, (int) $request->query->getString('from')));

        return $this->pdf->of(
            $this->renderView('exchange/print_labels.html.twig', $view + ['sheet' => $sheet, 'skip' => $from - 1]),
            'labels-'.$record->vehicle->id,
        );
    }

    /** What the customer gets, as a page. */
    #[Route('/fits/{id}/hand-over', name: 'hand_over', requirements: self::FIT, methods: ['GET'])]
    public function handOver(string $id): Response
    {
        $record = $this->fits->get($id);

        $fit = $this->recorder->load($record);

        return $this->render('exchange/hand_over.html.twig', $this->view($record, $fit, 'hand-over') + [
            'told_photos' => PhotoView::all($fit, $id, array_values(array_filter(
                $fit->state->photos, static fn (FitEvent $one): bool => '' !== $one->string('shot').$one->string('text'),
            ))),
        ]);
    }

    /** @return array<string, mixed> */
    private function view(FitRecord $record, Fit $fit, string $kind): array
    {
        $printed = new Printed($fit, $this->kit->kit());

        return [
            'record' => $record, 'fit' => $fit, 'looseEnds' => SignOff::of($fit)->looseEnds(), 'phases' => Phase::cases(),
            'dues' => $this->dues->ofFit($record->id),
            'now' => $this->clock->now(), 'told' => new FitNarrative($fit),
            'sums' => 'record' === $kind ? $this->sums->worked($fit) : [],
        ] + match ($kind) {
            'sheet' => ['cards' => $printed->cards(), 'settings' => $printed->settings()],
            'hand-over' => $this->paper->handOver($record, $fit),
            default => [],
        };
    }
}
