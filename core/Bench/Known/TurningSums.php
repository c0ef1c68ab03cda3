<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Known;

use NimbleKnuckle\Core\BeltDrive\Drive;
use NimbleKnuckle\Core\BeltDrive\DriveState;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Task\PressTask;
use NimbleKnuckle\Core\Sheet\Step;

/** What vehicle sheet and bench know for the sums of what turns: belts, pulleys, the chain, a hub on its shaft. */
final readonly class TurningSums
{
    /** field of the sum => reading, the answer that means yes */
    private const SEEN = [
        'missing' => ['belt_face', 'missing'], 'frayed' => ['belt_face', 'frayed'], 'parted' => ['belt_face', 'parted'],
        'glazed' => ['belt_face', 'glazed'], 'oily' => ['belt_face', 'oily'], 'near_seal' => ['belt_seal', 'yes'],
        'weak' => ['arm_spring', 'weak'], 'noisy' => ['belt_sounds', 'growl'], 'rough' => ['idler_feels', 'rough'],
        'uncapped' => ['idler_cap', 'gone'],
    ];

    private function __construct(private Fit $fit)
    {
    }

    /** @return array<string, string|float|null>|null null where the sum of the step is none of these */
    public static function known(Step $step, Fit $fit): ?array
    {
        $sums = new self($fit);

        return match ($step->asking->sum) {
            'press-fit' => $sums->press($step),
            'drive-wear' => $sums->wear(),
            'chain-travel' => $sums->chain(),
            'belt-line' => $sums->line(),
            'pulley-change' => $sums->pulley(),
            default => null,
        };
    }

    private function value(string $field): ?float
    {
        return $this->fit->state->readingOf($field)?->value;
    }

    /** @return array<string, string|float|null> a hub at the blower is all metal, a damper has rubber in it */
    private function press(Step $step): array
    {
        $read = PressTask::measured($this->fit, $step);
        $along = static fn (string $one): ?string => isset($read[$one]) ? implode(
            '; ', array_filter([$read[$one], $read[$one.'_back'] ?? null], static fn (?float $it): bool => null !== $it),
        ) : null;

        return !isset($read['snout']) ? [] : [
            'shaft' => $along('snout'), 'bore' => $along('bore'), 'hub' => $read['hub_outside'] ?? null,
            'length' => $read['fit_length'] ?? null, 'bonded' => str_contains($step->target->item, 'blower') ? null : 'yes',
        ];
    }

    /** @return array<string, string|float|null> */
    private function wear(): array
    {
        $known = array_filter([
            'cracks' => $this->value('belt_cracks'), 'rib_new' => $this->value('rib_new'), 'rib_now' => $this->value('rib_now'),
            'swing' => $this->value('arm_swing_before'), 'play' => $this->value('arm_play'), 'spin' => $this->value('idler_turns'),
        ], static fn (?float $one): bool => null !== $one);
        foreach (self::SEEN as $field => [$reading, $yes]) {
            if ($yes === $this->fit->readings()->answer($reading)) {
                $known[$field] = 'yes';
            }
        }

        return $known;
    }

    /** @return array<string, string|float|null> */
    private function chain(): array
    {
        $rattle = $this->value('rattle_before');

        return null === $this->value('plunger_travel') ? [] : [
            'travel' => $this->value('plunger_travel'), 'limit' => $this->value('plunger_limit'),
            'rattle' => null === $rattle ? null : 60 * $rattle,
        ];
    }

    /** @return array<string, string|float|null> the new pulley held against the old one, as if the old one ran in its line */
    private function line(): array
    {
        return null === $this->value('rib_offset_new') ? [] : [
            'gap' => abs($this->value('rib_offset_new') - ($this->value('rib_offset_old') ?? 0.0)), 'span' => $this->span(),
            'run_out' => $this->value('pulley_run_out'), 'rib_old' => $this->value('rib_offset_old'),
            'rib_new' => $this->value('rib_offset_new'),
        ];
    }

    /** The free span beside the blower; null where the vehicle sheet has no such belt. */
    private function span(): ?float
    {
        $drive = $this->blown();
        $path = null === $drive ? null : DriveState::of($drive)->path;
        foreach ($path->pulleys ?? [] as $i => $pulley) {
            if ($pulley->name === $drive?->blower?->pulley) {
                return $path?->spans[$i]->length;
            }
        }

        return null;
    }

    private function blown(): ?Drive
    {
        foreach ($this->fit->vehicle->drives as $drive) {
            if (null !== $drive->blower) {
                return $drive;
            }
        }

        return null;
    }

    /** @return array<string, string|float|null> */
    private function pulley(): array
    {
        $drive = $this->blown();
        $blower = $drive?->blower;
        $old = null === $blower ? null : $drive->named($blower->pulley)?->d;
        $new = $this->value('blower_pulley_new');

        return null === $blower || null === $new || null === $old ? [] : [
            'crank' => $drive->driver()?->d, 'old' => $old, 'new' => $new, 'redline' => $blower->redline ?: null,
            'limit' => $blower->limit ?: null, 'pressure_ratio_old' => $blower->pressureRatio ?: null, 'type' => $blower->type->value,
        ];
    }
}
