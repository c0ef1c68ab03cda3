<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Known;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Sheet\Step;

/** Plugs and starter of a fit as they are put into their sums: what was read so far. */
final readonly class SparkSums
{
    private const AFTER = '_after';

    /** @return array<string, string|float|null>|null null where the sum of the step is none of these */
    public static function known(Step $step, Fit $fit): ?array
    {
        return match ($step->asking->sum) {
            'volt-drop' => self::volts($step, $fit->state),
            'plug-set' => self::plugs($step, $fit->state),
            'plug-gap' => self::gap($fit->state),
            default => null,
        };
    }

    /** @return array<string, float> those of the step, before the work or after; nothing while one is missing */
    private static function volts(Step $step, FitState $state): array
    {
        $isAfter = [] !== array_filter($step->asking->asks, static fn (Ask $one): bool => str_ends_with($one->field, self::AFTER));
        $volts = [];
        foreach (['rest', 'crank', 'stud', 'ground'] as $one) {
            $read = $state->readingOf('volts_'.$one.($isAfter ? self::AFTER : ''));
            if (null === $read) {
                return [];
            }
            $volts[$one] = $read->value;
        }

        return $volts;
    }

    /** @return array<string, string> each plug whose gap was read, with its face where that was said */
    private static function plugs(Step $step, FitState $state): array
    {
        $plugs = [];
        foreach ($step->asking->asks as $ask) {
            $cylinder = str_starts_with($ask->field, 'plug_old_') ? (int) substr($ask->field, 9) : 0;
            $gap = $state->readingOf($ask->field);
            if ($cylinder > 0 && null !== $gap) {
                $look = self::look($step, $state, $cylinder);
                $plugs[] = trim(sprintf('%d %s %s', $cylinder, $gap->value, $look));
            }
        }

        return [] === $plugs ? [] : ['plugs' => implode('; ', $plugs)];
    }

    private static function look(Step $step, FitState $state, int $cylinder): string
    {
        $field = 'plug_look_'.$cylinder;
        $ask = array_values(array_filter($step->asking->asks, static fn (Ask $one): bool => $one->field === $field))[0] ?? null;
        $at = $state->readingOf($field)->value ?? 0.0;

        return ($ask->limits->choices[(int) round($at) - 1] ?? null)->id ?? '';
    }

    /** @return array<string, string|float|null> */
    private static function gap(FitState $state): array
    {
        $value = static fn (string $field): ?float => $state->readingOf($field)?->value;
        [$boost, $ratio, $advance, $air] = array_map($value, ['spark_boost', 'spark_ratio', 'spark_advance', 'spark_air']);
        [$low, $high, $coil] = array_map($value, ['gap_low', 'gap_high', 'coil_volts']);

        return null === $boost || null === $ratio || null === $advance || null === $air || null === $low ? [] : [
            'boost' => $boost, 'ratio' => $ratio, 'advance' => $advance, 'charge_temperature' => $air,
            'range' => null === $high || $high <= $low ? sprintf('%s mm', $low) : sprintf('%s-%s mm', $low, $high),
            'coil' => null === $coil ? null : sprintf('%s kV', $coil / 1000),
        ];
    }
}
