<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\Core\Bench\FitState;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\Circuit;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumBook;
use NimbleKnuckle\Core\Sum\SumResult;

/** The sum a step names, filled in with what vehicle sheet and bench know; worked out where that is enough, else a link. */
final readonly class StepSum
{
    /** These have a place of their own on the bench. */
    private const SHOWN_APART = ['', 'coolant-mix', 'warm-up'];
    private const USUAL_MORNING = 15.0;

    public function __construct(private SumBook $sums)
    {
    }

    /**
     * @return array{name: string, summary: string, query: array<string, string|float>, result: ?SumResult, missing: string,
     *               headline: ?Headline, drawing: array{0: string, 1: object}|null}|null
     */
    public function of(Step $step, ?Circuit $circuit, FitState $state): ?array
    {
        if (in_array($step->asking->sum, self::SHOWN_APART, true) || !isset($this->sums->all()[$step->asking->sum])) {
            return null;
        }
        $query = array_filter($this->known($step->asking->sum, $circuit, $state), static fn (mixed $value): bool => null !== $value);
        $missing = '';
        try {
            $result = [] === $query ? null : $this->sums->run($step->asking->sum, $query);
        } catch (InvalidInput $e) {
            [$result, $missing] = [null, $e->getMessage()];
        }
        $sum = $this->sums->named($step->asking->sum);

        return [
            'name' => $step->asking->sum, 'summary' => $sum->summary(), 'query' => $query, 'result' => $result, 'missing' => $missing,
            'headline' => null === $result ? null : $sum->headline($result),
            'drawing' => null === $result ? null : $sum->drawing(Inputs::of($query, $sum->fields()), $result),
        ];
    }

    /** @return array<string, string|float|null> */
    private function known(string $sum, ?Circuit $circuit, FitState $state): array
    {
        if (null === $circuit || $circuit->capacity <= 0.0) {
            return [];
        }
        $value = static fn (string $field): ?float => $state->readingOf($field)?->value;

        return match ($sum) {
            'coolant-protect' => [
                'base' => str_contains($circuit->blend->base, 'propylene') ? 'pg' : 'eg', 'percent' => $value('strength_before'),
                'cap' => $circuit->plumbing->cap,
            ],
            'coolant-level' => [
                'volume' => $circuit->capacity, 'percent' => $circuit->blend->target,
                'cold' => $value('coolant_temperature') ?? self::USUAL_MORNING,
                'hot' => $value('drive_temperature') ?? ($circuit->plumbing->opens > 0.0 ? $circuit->plumbing->opens + 4.0 : 92.0),
                'marks' => $circuit->plumbing->marks > 0.0 ? $circuit->plumbing->marks : null,
            ],
            'oil-fill' => ['capacity' => $circuit->capacity, 'drained' => $value('oil_drained'), 'filter' => 'changed'],
            default => [],
        };
    }
}
