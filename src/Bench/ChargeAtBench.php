<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\ChargeAir\Line\LineDrawing;
use NimbleKnuckle\Core\Curve\CurveKind;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\ItemKind;

/** The charge path at the steps that are about it: its drawing, and where to soap and listen. */
final readonly class ChargeAtBench
{
    private const TEST = CurveKind::Leak->value;
    private const ABOUT = [self::TEST, 'blow-off'];

    /** Null at other steps, and where nobody entered the path. */
    public static function drawing(Fit $fit, Step $step): ?LineDrawing
    {
        $line = $fit->vehicle->charge;

        return null === $line || !in_array($step->asking->sum, self::ABOUT, true) ? null : LineDrawing::of($line, []);
    }

    /** @return list<string> every joint and bung under boost; of a vehicle without a path what was off on this fit */
    public static function soap(Fit $fit, Step $step): array
    {
        if (self::TEST !== $step->asking->sum) {
            return [];
        }
        $line = $fit->vehicle->charge;
        $places = [];
        foreach ($line->joins ?? [] as $i => $join) {
            if (null !== $line && $line->isCharged($i)) {
                $places[] = $join->name;
                $places = [...$places, ...array_map(
                    static fn (string $one): string => sprintf('%s of the %s', $one, $line->parts[$i + 1]->name),
                    $line->parts[$i + 1]->carries,
                )];
            }
        }

        return [] !== $places ? $places : self::off($fit);
    }

    /** @return list<string> parts that were off */
    private static function off(Fit $fit): array
    {
        $names = [];
        foreach ($fit->sheet->doing(StepKind::Remove) as $remove) {
            $item = $fit->vehicle->items[$remove->target->item] ?? null;
            if (null !== $item && ItemKind::Part === $item->kind) {
                $names[] = $item->name;
            }
        }

        return $names;
    }
}
