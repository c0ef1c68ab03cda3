<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Known;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Lifting\EngineMount;
use NimbleKnuckle\Core\Lifting\TiltPoint;
use NimbleKnuckle\Core\Procedure\Support;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Hook;
use NimbleKnuckle\Core\Vehicle\Lifting;

/** What vehicle sheet and bench know for the sums of weight, slings and mounts. */
final readonly class LiftingSums
{
    /** @return array<string, string|float|null>|null null where the sum of the step is none of these */
    public static function known(Step $step, Fit $fit): ?array
    {
        [$lifting, $state] = [$fit->vehicle->lifting, $fit->state];

        return match ($step->asking->sum) {
            'lift-links' => self::links($lifting, $step),
            'tilt-clearance' => self::tilt($lifting, $step),
            'mount-share' => self::shares($lifting),
            'mount-tired' => self::wear($state),
            'clearance' => ['cold' => $state->readingOf('gap_cold')?->value],
            default => null,
        };
    }

    /** @return array<string, string|float|null> its weight on its hooks, each upright, as the vehicle sheet has them */
    private static function links(Lifting $lifting, Step $step): array
    {
        if ($lifting->mass <= 0.0 || [] === $lifting->hooks) {
            return [];
        }
        $rated = static fn (float $rating): string => $rating > 0.0 ? sprintf(' %s kg', $rating) : '';
        $hooks = Support::Bar === $step->target->load->support && !in_array('one-hook', $step->tags, true)
            ? $lifting->hooks
            : array_slice($lifting->hooks, 0, 1);

        return [
            'mass' => $lifting->mass,
            'legs' => implode('; ', array_map(static fn (Hook $hook): string => '0°'.$rated($hook->rating), $hooks)),
            'parts' => str_replace(',', '', implode(
                '; ', array_filter($step->needs->tools, static fn (string $tool): bool => str_contains($tool, ' kg')),
            )),
        ];
    }

    /** @return array<string, string|float|null> the torque is not known to a vehicle sheet: it is asked for on the sum's page */
    private static function shares(Lifting $lifting): array
    {
        return [] === $lifting->mounts ? [] : [
            'mounts' => implode('; ', array_map(static fn (EngineMount $mount): string => sprintf(
                '%s %s %s %s %s %s', $mount->name, $mount->x, $mount->y, $mount->kx, $mount->ky, $mount->isRubber ? 'rubber' : 'pu',
            ), $lifting->mounts)),
            'engine' => $lifting->mass > 0.0 ? $lifting->mass.' kg' : null,
        ];
    }

    /** @return array<string, string|float|null> what was measured of the old mounts and of the new */
    private static function wear(FitState $state): array
    {
        $value = static fn (string $field): ?float => $state->readingOf($field)?->value;
        $sides = array_filter(['left', 'right'], static fn (string $side): bool => null !== $value('height_old_'.$side)
            && null !== $value('height_new_'.$side));
        $heights = static fn (string $when): ?string => [] === $sides ? null : implode('; ', array_map(
            static fn (string $side): ?float => $value($when.$side), $sides,
        ));

        return [
            'old' => $heights('height_old_'), 'new' => $heights('height_new_'), 'rock_before' => $value('rock_before'),
            'rock_after' => $value('rock_after'),
        ];
    }

    /** @return array<string, string|float|null> */
    private static function tilt(Lifting $lifting, Step $step): array
    {
        $lifted = $lifting->lifted();
        if (null === $lifting->pivot || null === $lifted || [] === $lifting->points) {
            return [];
        }

        return [
            'pivot' => implode(' ', $lifting->pivot), 'lifted' => sprintf('%s %s', $lifted->x, $lifted->y),
            'rise' => $step->target->load->mm,
            'points' => implode('; ', array_map(static fn (TiltPoint $point): string => sprintf(
                '%s %s %s %s %s', $point->name, $point->x, $point->y, $point->gap, $point->direction,
            ), $lifting->points)),
        ];
    }
}
