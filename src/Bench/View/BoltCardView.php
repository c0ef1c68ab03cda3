<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\Bench\Act\FastenerTap;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Tightening\CardGeometry;
use NimbleKnuckle\Core\Vehicle\Joint;

/** The bolt card of a joint: the drawing, the state of each fastener, which one is next. */
final readonly class BoltCardView
{
    /**
     * @param list<array{bolt: int, stage: int, word: string, next: bool, label: string, by: string, tap: array<string,
     * string|int|float>}> $bolts
     */
    private function __construct(
        public Joint $joint, public CardGeometry $drawing, public array $bolts, public int $next, public int $nextStage,
        public int $final, public TighteningStages $ladder,
    ) {
    }

    public static function of(Fit $fit, Joint $joint, Kit $kit): self
    {
        $ladder = TighteningStages::of($joint);
        $final = $ladder->final();
        [$next, $nextStage] = $fit->joints()->nextBolt($joint);
        $bolts = [];
        $pulls = [];
        for ($bolt = 1; $bolt <= $joint->count(); ++$bolt) {
            $stage = $fit->state->stage($joint->id, $bolt);
            $bolts[] = [
                'bolt' => $bolt,
                'stage' => $stage,
                'word' => $ladder->label($stage),
                'next' => $bolt === $next,
                'label' => $joint->boltLabel($bolt),
                'by' => isset($fit->state->marks[$joint->id][$bolt]) ? $fit->state->marks[$joint->id][$bolt]->by : '',
                'tap' => ['bolt' => $bolt] + ($pulls[$stage] ??= FastenerTap::mark($joint, $bolt, min($final, $stage + 1), $kit)),
            ];
        }

        return new self(
            $joint, CardGeometry::of($joint->pattern->layout, $joint->fastener->named->known->diameter ?? 0.0), $bolts, $next,
            $nextStage, $final, $ladder,
        );
    }
}
