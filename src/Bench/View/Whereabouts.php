<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\Stood;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\Law\EventFacts;
use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Plan\Stance;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Obstacle;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Corner;
use NimbleKnuckle\Core\Vehicle\Item;

/** Where the vehicle stands, what it can be said to stand on now, and what holds it back. */
final readonly class Whereabouts implements Shown
{
    private const NOBODY = '00000000000000000000000000';

    /**
     * @param list<Corner> $bare wheels that are off
     * @param list<Stance> $ways what it does not stand on now
     * @param array<string, list<Obstacle>> $heldBack stance => what is against it
     * @param list<Caution> $moving cautions of raising and lowering on this sheet
     * @param ?bool $rolls whether somebody said that it can be rolled; null where nobody did since it was moved
     * @param array{wheels_off?: string, place?: string} $asIs what stays said when only the stance changes
     */
    private function __construct(
        public Stance $stance, public array $bare, public string $bay, public array $ways, public array $heldBack, public array $moving,
        public array $asIs, public ?bool $rolls,
    ) {
    }

    public static function of(Fit $fit, Authority $hand, \DateTimeImmutable $now): self
    {
        $rig = $fit->actual();
        $last = $fit->state->stood[count($fit->state->stood) - 1] ?? null;
        $bare = [];
        foreach (Corner::cases() as $corner) {
            $wheels = array_filter($fit->vehicle->items, static fn (Item $one): bool => $corner === $one->access->wheel);
            if (in_array($corner->value, $rig->bare, true) || [] !== array_intersect_key($wheels, $rig->off)) {
                $bare[] = $corner;
            }
        }
        $asIs = array_filter([
            'wheels_off' => implode(',', array_map(static fn (Corner $one): string => $one->value, $bare)),
            'place' => $last?->as(Stood::class)->place ?? '',
        ]);
        $ways = array_values(array_filter(Stance::real(), static fn (Stance $one): bool => $one !== $rig->stance));
        $heldBack = [];
        foreach (null === $fit->state->signed ? $ways : [] as $way) {
            $event = FitEvent::of(self::NOBODY, EventType::Stood, ['stance' => $way->value], '-', $now);
            $heldBack[$way->value] = Gate::moving($fit, new EventFacts($fit, $event, $hand, $now));
        }

        $rolls = $last?->as(Stood::class)->rolls;

        return new self(
            $rig->stance, $bare, $asIs['place'] ?? '', $ways, array_filter($heldBack), self::cautions($fit), $asIs,
            null === $rolls ? null : 1 === $rolls,
        );
    }

    /** @return list<Caution> */
    private static function cautions(Fit $fit): array
    {
        $moves = [$fit->sheet->doing(StepKind::Raise)[0] ?? null, $fit->sheet->doing(StepKind::Lower)[0] ?? null];

        return array_merge(...array_map(static fn (?Step $one): array => $one->words->cautions ?? [], $moves));
    }
}
