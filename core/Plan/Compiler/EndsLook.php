<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Procedure\CommonParts;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/** Before the engine runs for the first time all that was unplugged and that guards something is looked over once more, by its name. */
final readonly class EndsLook
{
    public const TAG = 'ends-look';

    public function __construct(private CommonParts $common, private VehicleSheet $vehicle)
    {
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    public function into(array $steps): array
    {
        $named = [];
        foreach ($steps as $i => $step) {
            $item = Deed::Remove === $step->deed ? $this->vehicle->items[$step->target->item] ?? null : null;
            foreach ($item?->parting->guards() ?? [] as $end) {
                $named[] = $end->count > 1 ? $end->count.' '.$end->name : $end->name;
            }
            if ((Deed::Start === $step->deed || Deed::Drive === $step->deed) && [] !== $named) {
                $op = $this->common->move('ends-look');
                $look = Step::fromOperation($op)->with(
                    phase: $step->slot->phase, position: $step->slot->position, tags: [self::TAG],
                    text: trim($op->words->text.' '.implode('. ', array_unique(array_map(ucfirst(...), $named))).'.'),
                );

                return [...array_slice($steps, 0, $i), $look, ...array_slice($steps, $i)];
            }
        }

        return $steps;
    }
}
