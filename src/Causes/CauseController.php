<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Causes;

use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\Core\Causes\CauseCheck;
use NimbleKnuckle\Core\Causes\CauseDrawing;
use NimbleKnuckle\Core\Causes\CauseTable;
use NimbleKnuckle\Core\Causes\CheckFindings;
use NimbleKnuckle\Core\Causes\Ranking;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Starting\MeterDrawing;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** A complaint instead of a part: one check after another, what is behind it so far,
 * and from there to the fit. What was found is the address. */
final class CauseController extends AbstractController
{
    public function __construct(private readonly CauseShelf $shelf, private readonly Garage $garage,
        private readonly ProcedureShelf $procedures, private readonly ComplaintBook $book)
    {
    }

    #[Route('/causes', name: 'causes', methods: ['GET'])]
    public function list(Request $request): Response
    {
        $vehicle = $this->vehicle($request);

        return $this->render('causes/list.html.twig', [
            'tables' => $this->shelf->all(), 'vehicle' => $vehicle,
            'known' => null === $vehicle ? [] : $this->book->onVehicle($vehicle['id'], 8),
        ]);
    }

    #[Route('/causes/{id}', name: 'cause', requirements: ['id' => '[a-z0-9-]{1,60}'], methods: ['GET'])]
    public function __invoke(string $id, Request $request): Response
    {
        $table = $this->shelf->all()[$id] ?? throw $this->createNotFoundException('There is no such complaint.');
        $found = CheckFindings::in($table, $request->query->all('f'), $request->query->all('m'));
        $typed = $request->query->getString('read');
        $of = $table->checks[$request->query->getString('check')] ?? null;
        [$read, $error] = '' === trim($typed) || null === $of ? [null, ''] : self::read($table, $found, $of, $typed);
        if (null !== $read) {
            return $this->redirectToRoute('cause', array_filter([
                'id' => $id, 'vehicle' => $request->query->getString('vehicle'), 'f' => $read->answers, 'm' => $read->read,
            ]));
        }

        return $this->page($request, $table, $found, '' === $error ? null : $of, $error);
    }

    private function page(Request $request, CauseTable $table, CheckFindings $found, ?CauseCheck $wrong, string $error): Response
    {
        $ranking = Ranking::of($table, $found->answers, $this->book->confirmed($table->id));
        $asked = $wrong ?? $table->checks[$request->query->getString('ask')] ?? null;
        $check = null === $asked || isset($found->answers[$asked->id]) ? $ranking->next : $asked;

        return $this->render('causes/page.html.twig', [
            'table' => $table, 'found' => $found, 'findings' => $found->answers, 'ranking' => $ranking, 'check' => $check,
            'meter' => 'volt-drop' === $check?->sum ? MeterDrawing::atCheck($check->id) : null,
            'drawing' => CauseDrawing::of($table, $ranking), 'error' => $error, 'typed' => $request->query->getString('read'),
            'others' => array_filter(
                $table->checks,
                static fn (CauseCheck $one): bool => !isset($found->answers[$one->id]) && $one->id !== $check?->id,
            ),
            'named' => array_slice(array_keys($ranking->chances), 0, $ranking->named()), 'leads' => $this->leads($table, $ranking),
            'vehicle' => $this->vehicle($request), 'settled' => $this->book->settled($table->id),
            'minutes' => array_sum(array_map(static fn (string $one): float => $table->checks[$one]->minutes, array_keys($found->made()))),
        ], new Response(status: '' === $error ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY));
    }

    /** @return array{?CheckFindings, string} with what was read, or what is wrong with it */
    private static function read(CauseTable $table, CheckFindings $found, CauseCheck $check, string $typed): array
    {
        try {
            $answer = null === $check->scale ? '' : $check->scale->answer($check->scale->value($typed));
        } catch (InvalidQuantity $e) {
            return [null, $e->getMessage()];
        }

        return [CheckFindings::in($table, [$check->id => $answer] + $found->answers, [$check->id => $typed] + $found->read), ''];
    }

    /** @return array<string, array{title: string, cause: string}> procedure => what it is, for the causes that have to be named */
    private function leads(CauseTable $table, Ranking $ranking): array
    {
        $leads = [];
        foreach (array_slice(array_keys($ranking->chances), 0, $ranking->named()) as $cause) {
            $id = $table->leads[$cause] ?? '';
            $procedure = '' === $id ? null : $this->procedures->all()[$id] ?? null;
            null === $procedure || $leads[$id] ??= ['title' => $procedure->title, 'cause' => $cause];
        }

        return $leads;
    }

    /** @return array{id: string, name: string}|null */
    private function vehicle(Request $request): ?array
    {
        $id = $request->query->getString('vehicle');
        if ('' === $id) {
            return null;
        }
        $vehicle = $this->garage->get($id);

        return ['id' => $vehicle->id, 'name' => $vehicle->name];
    }
}
