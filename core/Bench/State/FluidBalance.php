<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

use NimbleKnuckle\Core\Procedure\Flow;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Vehicle\Circuit;

/** What came out of a circuit against what went in, in L. */
final readonly class FluidBalance
{
    /** Of a circuit's capacity; more than this cannot have come out of it or gone in. */
    public const MOST = 1.15;
    /** L, and the share of what came out: the larger of the two may be missing. */
    private const SLACK_LITRES = 0.3;
    private const SLACK_SHARE = 0.08;

    public function __construct(private Sheet $sheet, private FitState $state)
    {
    }

    /** What was read last of a circuit; null where nothing was. */
    public function of(Circuit $circuit, Flow $flow): ?Reading
    {
        $newest = null;
        foreach ($this->sheet->steps as $step) {
            foreach ($step->target->circuit === $circuit->id ? $step->asking->asks : [] as $ask) {
                $newest = $ask->flow === $flow ? $this->state->reading($step->id, $ask->field) ?? $newest : $newest;
            }
        }

        return $newest;
    }

    /** L that went in and did not come out; negative where less went in. Null where one was not read. */
    public function gap(Circuit $circuit): ?float
    {
        [$out, $in] = [$this->of($circuit, Flow::Out), $this->of($circuit, Flow::In)];

        return null === $out || null === $in ? null : $in->value - $out->value;
    }

    public function isGapOpen(Circuit $circuit): bool
    {
        $out = $this->of($circuit, Flow::Out);
        $gap = $this->gap($circuit);

        return null !== $out && null !== $gap && $this->isFilled($circuit) && abs($gap) > max(
            self::SLACK_LITRES, self::SLACK_SHARE * $out->value,
        ) + 1e-9;
    }

    private function isFilled(Circuit $circuit): bool
    {
        foreach ($this->sheet->doing(StepKind::Fill, '', '', $circuit->id) as $step) {
            if ($this->state->isDone($step->id)) {
                return true;
            }
        }

        return false;
    }
}
