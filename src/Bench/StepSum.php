<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Known\Known;
use NimbleKnuckle\Core\Curve\CurveKind;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumBook;
use NimbleKnuckle\Core\Sum\SumResult;

/** The sum a step names, filled in with what vehicle sheet and bench know; worked out where that is enough, else a link. */
final readonly class StepSum
{
    /** These have a place of their own on the bench. */
    private const SHOWN_APART = ['', 'coolant-mix', CurveKind::WarmUp->value];

    public function __construct(private SumBook $sums)
    {
    }

    /**
     * @return array{name: string, summary: string, query: array<string, string|float>, result: ?SumResult, missing: string,
     *               headline: ?Headline, drawing: array{0: string, 1: object}|null}|null
     */
    public function of(Step $step, Fit $fit): ?array
    {
        if (in_array($step->asking->sum, self::SHOWN_APART, true) || !isset($this->sums->all()[$step->asking->sum])) {
            return null;
        }
        $known = Known::of($step, $fit);
        $query = array_filter($known, static fn (mixed $value): bool => null !== $value);
        $missing = '';
        try {
            $result = [] === $query ? null : $this->sums->run($step->asking->sum, $query);
        } catch (InvalidInput $e) {
            [$result, $missing] = [null, $e->getMessage()];
        }
        $sum = $this->sums->named($step->asking->sum);

        return [
            'name' => $step->asking->sum, 'summary' => $sum->about()->summary, 'query' => $query, 'result' => $result,
            'missing' => $missing,
            'headline' => null === $result ? null : $sum->headline($result),
            'drawing' => null === $result ? null : $sum->drawing(Inputs::of($query, $sum->about()->fields()), $result),
        ];
    }

    /** @return array<string, array{headline: string, verdict: string, checks: list<string>}> step => what its sum came to */
    public function worked(Fit $fit): array
    {
        $worked = [];
        foreach ($fit->sheet->steps as $step) {
            $sum = $fit->state->isDone($step->id) ? $this->of($step, $fit) : null;
            if (null !== $sum && null !== $sum['result'] && null !== $sum['headline']) {
                $worked[$step->id] = [
                    'headline' => $sum['headline']->asLine(), 'verdict' => $sum['result']->verdict->value,
                    'checks' => array_map(static fn (Check $check): string => $check->text, $sum['result']->checks),
                ];
            }
        }

        return $worked;
    }
}
