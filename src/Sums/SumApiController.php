<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Sums;

use NimbleKnuckle\Core\Sum\Bounds;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumBook;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The JSON door to the sums. GET takes the inputs from the address, POST as a JSON object. */
final class SumApiController
{
    #[Route('/api/sums', name: 'api_sums', methods: ['GET'])]
    public function list(SumBook $sums): JsonResponse
    {
        return new JsonResponse(['sums' => array_values(array_map(self::described(...), $sums->all()))]);
    }

    #[Route('/api/sums/{name}', name: 'api_sum', requirements: ['name' => '[a-z-]{1,40}'], methods: ['GET', 'POST'])]
    public function __invoke(string $name, Request $request, SumBook $sums): JsonResponse
    {
        try {
            $raw = $request->isMethod('POST') ? json_decode($request->getContent(), true, 32) : $request->query->all();

            return self::json(
                $sums->run($name, is_array($raw) ? $raw : throw InvalidInput::in('body', 'Send a JSON object of the fields.'))->toArray(),
            );
        } catch (InvalidInput $e) {
            return self::json(['error' => ['field' => $e->field, 'message' => $e->getMessage()]], Response::HTTP_UNPROCESSABLE_ENTITY);
        }
    }

    /** @return array<string, mixed> */
    public static function described(Sum $sum): array
    {
        return [
            'name' => $sum->about()->name,
            'summary' => $sum->about()->summary,
            'fields' => array_map(
                static fn (Field $field): array => [
                    'name' => $field->name, 'label' => $field->label, 'unit' => $field->kind?->baseUnit()->value ?? '',
                    'required' => $field->required, 'example' => $field->example,
                    ...self::ends('within', $field->ranges->physical), ...self::ends('usually', $field->ranges->typical),
                ],
                $sum->about()->fields(),
            ),
        ];
    }

    /** @return array<string, array{float, float}> in the unit of the field */
    private static function ends(string $word, ?Bounds $bounds): array
    {
        return null === $bounds ? [] : [$word => [$bounds->low, $bounds->high]];
    }

    /** @param array<string, mixed> $data */
    private static function json(array $data, int $status = Response::HTTP_OK): JsonResponse
    {
        $response = new JsonResponse(status: $status);
        $response->setEncodingOptions(\JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION);

        return $response->setData($data);
    }
}
