<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The JSON door to the compiler: GET /api/plan?vehicle=…&procedures=a,b&people=2&fill=burp gives nimble-knuckle/sheet@1. */
final class PlanApiController
{
    private const OWN = ['vehicle' => 1, 'procedures' => 1, 'people' => 1];

    #[Route('/api/plan', name: 'api_plan', methods: ['GET'])]
    public function __invoke(Request $request, Garage $garage, FitPlanner $planner): JsonResponse
    {
        $query = $request->query;
        try {
            $sheet = $planner->compile(
                $garage->get($query->getString('vehicle')), self::ids($query->getString('procedures')),
                array_map(strval(...), array_filter(array_diff_key($query->all(), self::OWN), is_scalar(...))),
                $query->getInt('people', 1),
            );
        } catch (UnplannableFit $e) {
            return new JsonResponse(
                ['error' => ['field' => $e->field, 'message' => $e->getMessage()]], Response::HTTP_UNPROCESSABLE_ENTITY,
            );
        }
        $response = new JsonResponse();
        $response->setEncodingOptions(\JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);

        return $response->setData($sheet->toArray());
    }

    #[Route('/api/procedures', name: 'api_procedures', methods: ['GET'])]
    public function procedures(ProcedureShelf $shelf): JsonResponse
    {
        return new JsonResponse(
            ['procedures' => array_values(
                array_map(
                    static fn (Procedure $p): array => ['id' => $p->id, 'title' => $p->title, 'summary' => $p->summary],
                    $shelf->all(),
                ),
            )],
        );
    }

    /** @return list<string> */
    public static function ids(string $list): array
    {
        return array_values(array_filter(array_map(trim(...), explode(',', $list)), static fn (string $id): bool => '' !== $id));
    }
}
