<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Causes;

use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\Core\Causes\CauseCheck;
use NimbleKnuckle\Core\Causes\CauseDrawing;
use NimbleKnuckle\Core\Causes\CauseTable;
use NimbleKnuckle\Core\Causes\Ranking;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** A complaint instead of a part: one check after another, what is behind it so far,
 * and from there to the fit. What was found is the address. */
final class CauseController extends AbstractController
{
    public function __construct(private readonly CauseShelf $shelf, private readonly Garage $garage,
        private readonly ProcedureShelf $procedures)
    {
    }

    #[Route('/causes', name: 'causes', methods: ['GET'])]
    public function list(Request $request): Response
    {
        return $this->render('causes/list.html.twig', [
            'tables' => $this->shelf->all(), 'vehicle' => $this->vehicle($request),
        ]);
    }

    #[Route('/causes/{id}', name: 'cause', requirements: ['id' => '[a-z0-9-]{1,60}'], methods: ['GET'])]
    public function __invoke(string $id, Request $request): Response
    {
        $table = $this->shelf->all()[$id] ?? throw $this->createNotFoundException('There is no such complaint.');
        $findings = self::findings($request, $table);
        $ranking = Ranking::of($table, $findings, []);
        $asked = $table->checks[$request->query->getString('ask')] ?? null;
        $check = null === $asked || isset($findings[$asked->id]) ? $ranking->next : $asked;

        return $this->render('causes/page.html.twig', [
            'table' => $table, 'findings' => $findings, 'ranking' => $ranking, 'check' => $check,
            'drawing' => CauseDrawing::of($table, $ranking),
            'others' => array_filter(
                $table->checks, static fn (CauseCheck $one): bool => !isset($findings[$one->id]) && $one->id !== $check?->id,
            ),
            'named' => array_slice(array_keys($ranking->chances), 0, $ranking->named()), 'leads' => $this->leads($table, $ranking),
            'vehicle' => $this->vehicle($request),
            'minutes' => array_sum(array_map(
                static fn (string $one): float => Ranking::SKIPPED === $findings[$one] ? 0.0 : $table->checks[$one]->minutes,
                array_keys($findings),
            )),
        ]);
    }

    /** @return array<string, string> check => answer */
    private static function findings(Request $request, CauseTable $table): array
    {
        $findings = [];
        foreach ($request->query->all('f') as $check => $answer) {
            $known = $table->checks[$check] ?? null;
            if (null !== $known && is_string($answer) && (Ranking::SKIPPED === $answer || null !== $known->place($answer))) {
                $findings[(string) $check] = $answer;
            }
        }

        return $findings;
    }

    /** @return array<string, string> procedure => its title, of the causes that have to be named, the likeliest first */
    private function leads(CauseTable $table, Ranking $ranking): array
    {
        $leads = [];
        foreach (array_slice(array_keys($ranking->chances), 0, $ranking->named()) as $cause) {
            $id = $table->leads[$cause] ?? '';
            $procedure = '' === $id ? null : $this->procedures->all()[$id] ?? null;
            null === $procedure || $leads[$id] = $procedure->title;
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
