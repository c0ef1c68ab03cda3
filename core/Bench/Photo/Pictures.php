<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Photo;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\PhotoTaken;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Procedure\PictureRequest;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;

/** The pictures of a fit: those of a step, and how a thing looked before it came off, for the step that puts it back. */
final readonly class Pictures
{
    public function __construct(private Fit $fit)
    {
    }

    /** @return list<FitEvent> in the order they were taken */
    public function of(Step $step): array
    {
        return array_values(array_filter(
            $this->fit->state->photos, static fn (FitEvent $photo): bool => $photo->step() === $step->id,
        ));
    }

    /**
     * What the strip shows of what goes back here: pictures of the steps that took the same item off or undid the same joint, and of
     * any earlier step on that item; those that say “before” come first.
     *
     * @return list<FitEvent>
     */
    public function asItWas(Step $step): array
    {
        $item = $step->itemOn($this->fit->vehicle);
        if ('' === $item || !in_array($step->deed, [StepKind::Refit, StepKind::Tighten], true)) {
            return [];
        }
        $place = $this->fit->sheet->placeOf($step->id);
        $found = array_filter($this->fit->state->photos, function (FitEvent $photo) use ($item, $place, $step): bool {
            $from = $this->fit->sheet->step($photo->step());

            return null !== $from && $from->id !== $step->id && $this->fit->sheet->placeOf($from->id) < $place
                && $from->itemOn($this->fit->vehicle) === $item;
        });
        $isBefore = static fn (FitEvent $photo): int => PictureRequest::Before->value === $photo->as(PhotoTaken::class)->shot ? 0 : 1;
        $found = array_values($found);
        usort($found, static fn (FitEvent $a, FitEvent $b): int => $isBefore($a) <=> $isBefore($b));

        return $found;
    }

    /** The picture a step wants and has not got; null where it wants none, or has it. */
    public function wanted(Step $step): ?PictureRequest
    {
        $shot = $step->asking->shot;
        foreach ($this->of($step) as $photo) {
            if ($photo->as(PhotoTaken::class)->shot === $shot?->value) {
                return null;
            }
        }

        return $shot;
    }
}
