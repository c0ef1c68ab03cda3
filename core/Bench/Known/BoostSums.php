<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Known;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\State\StandDuration;
use NimbleKnuckle\Core\ChargeAir\BandClamp;
use NimbleKnuckle\Core\ChargeAir\Line\Clamp;
use NimbleKnuckle\Core\ChargeAir\Line\Join;
use NimbleKnuckle\Core\ChargeAir\Line\LineInputs;
use NimbleKnuckle\Core\ChargeAir\Wetting;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;

/** What the bench knows for the sums of charge air, gate and boost. */
final readonly class BoostSums
{
    /** s between the two readings of a leak test, where nobody timed it. */
    private const APART = 30.0;

    /** @return array<string, string|float|null>|null null where the sum of the step is none of these */
    public static function known(Step $step, Fit $fit): ?array
    {
        return match ($step->asking->sum) {
            'gate-preload' => self::preload($fit),
            'leak-decay' => self::leak($fit),
            'charge-cooler' => self::cooler($fit),
            'coupler-match', 'blow-off' => self::hoses($step, $fit),
            'clamp-heat' => self::clamp($fit),
            default => null,
        };
    }

    /** @return array<string, string|float|null> the clamp that had to be turned furthest */
    private static function clamp(Fit $fit): array
    {
        $value = static fn (string $field): ?float => $fit->state->readingOf($field)?->value;
        $clamp = self::alike(array_filter(
            $fit->vehicle->charge->joins ?? [],
            static fn (Join $one): bool => '' !== $one->joint && [] !== $fit->sheet->doing(StepKind::Tighten, '', $one->joint),
        ));

        return null === $value('clamp_turn') ? [] : [
            'turn' => $value('clamp_turn'), 'clamp' => ($clamp->kind ?? BandClamp::Worm)->value,
            'wall' => $value('hose_wall'), 'screw_torque' => null !== $clamp && $clamp->torque > 0.0 ? $clamp->torque : null,
            'found' => $value('clamp_found'), 'warm' => $value('surface_temperature'),
            'hose' => $fit->readings()->answer('hose_rubber') ?: null,
            'screw' => null !== $clamp && BandClamp::TBolt === $clamp->kind && $clamp->screw > 0.0 ? 'M'.round($clamp->screw) : null,
        ];
    }

    /**
     * Any clamp that is set on this sheet, where all are of one kind and one figure; null where nobody can tell which was meant.
     *
     * @param array<Join> $joins
     */
    private static function alike(array $joins): ?Clamp
    {
        $clamps = array_values(array_filter(array_map(static fn (Join $one): ?Clamp => $one->clamp, $joins)));
        $first = $clamps[0] ?? null;
        $isOther = static fn (Clamp $one): bool => $one->kind !== $first?->kind || $one->torque !== $first->torque;

        return [] === array_filter($clamps, $isOther) ? $first : null;
    }

    /** @return array<string, string|float|null> the rod of a wastegate, once the new one was pumped up */
    private static function preload(Fit $fit): array
    {
        $value = static fn (string $field): ?float => $fit->state->readingOf($field)?->value;
        if (null === $value('gate_bare') || null === $value('gate_rate') || null === $value('gate_wanted')) {
            return [];
        }

        return [
            'cracks' => $value('gate_bare'), 'rate' => $value('gate_rate'), 'pitch' => $value('rod_pitch'), 'wanted' => $value(
                'gate_wanted',
            ),
            'step' => 'half' === $fit->readings()->answer('rod_step') ? 0.5 : 1.0,
        ];
    }

    /** @return array<string, string|float|null> two readings of a charge path that is shut, half a minute apart */
    private static function leak(Fit $fit): array
    {
        $value = static fn (string $field): ?float => $fit->state->readingOf($field)?->value;
        $path = $fit->vehicle->charge;
        $volume = $value('charge_volume') ?? (null === $path || $path->volume() <= 0.0 ? null : $path->volume());

        return null === $value('test_from') || null === $value('test_to') ? [] : [
            'volume' => $volume, 'from' => $value('test_from'), 'to' => $value('test_to'), 'seconds' => self::apart($fit),
            'boost' => $value('boost_limit'),
        ];
    }

    /** s between the two readings: of the curve they came with, or as long as it really stood. */
    private static function apart(Fit $fit): float
    {
        $reading = $fit->state->readingOf('test_to');
        if (null === $reading) {
            return self::APART;
        }
        $read = $reading->event;
        $step = $read->string('step');
        $curve = $fit->state->curves[$step] ?? null;
        if (null !== $curve && $curve->float('seconds') > 0.0 && $reading->isFromCurve()) {
            return $curve->float('seconds');
        }
        $stood = array_filter($fit->state->routines[$step] ?? [], static fn (FitEvent $one): bool => 'stand' === $one->string('stage'));
        $begun = end($stood);

        return false === $begun ? self::APART : max(1.0, StandDuration::between($begun, $read, $fit->state->liveBefore($begun))->seconds);
    }

    /** @return array<string, string|float> the hoses of the charge path: which goes where, or which boost pushes off first */
    private static function hoses(Step $step, Fit $fit): array
    {
        $line = $fit->vehicle->charge;
        if (null === $line || 'coupler-match' === $step->asking->sum) {
            return null === $line ? [] : LineInputs::box($line);
        }
        $boost = $fit->state->readingOf('boost_limit')->value ?? $line->boost;

        return LineInputs::weakest($line, $boost, Wetting::tryFrom($fit->readings()->answer('hose_wetting')) ?? Wetting::Dry);
    }

    /** @return array<string, string|float|null> the core that is on it, held against the one it had */
    private static function cooler(Fit $fit): array
    {
        $run = static fn (string $which): array => array_map(
            static fn (string $field): ?float => $fit->state->readingOf($field.$which)?->value, ['air_in', 'air_out', 'air_outside'],
        );
        [$old, $new] = [$run('_old'), $run('_new')];
        $isOld = !in_array(null, $old, true);
        $isNew = !in_array(null, $new, true);

        return !$isOld && !$isNew ? [] : array_combine(['before', 'after', 'ambient'], $isNew ? $new : $old)
            + ($isOld && $isNew ? ['first' => implode(' ', $old)] : []);
    }
}
