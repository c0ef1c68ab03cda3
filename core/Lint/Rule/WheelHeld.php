<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Joint;

/**
 * A wheel comes off: what holds it is known, with its figure; it is broken loose before it goes up, tightened after, and looked at again:
 * wheel-not-held, wheel-no-figure, wheel-not-loosened, wheel-not-rechecked.
 */
final readonly class WheelHeld implements Rule
{
    /** Of the second look, as what a follow-up is called. */
    public const FOLLOW_UP = 'wheel';

    public function inspect(Run $run): iterable
    {
        yield from self::known($run);
        $last = null;
        foreach ($run->doing(StepKind::Remove) as $place => [$step]) {
            $joint = self::fasteners($run, $step);
            if (null === $joint) {
                continue;
            }
            $last = $step;
            $joint->hasFigure() || $joint->isByTurn() || yield Finding::stop(
                'wheel-no-figure', $step->id, sprintf('No figure is known for the %s, and none is estimated for a wheel.', $joint->name),
                'Enter the vehicle maker’s or the wheel maker’s figure.',
            );
            self::isLoosened($run, $joint, $place) || yield Finding::stop(
                'wheel-not-loosened', $step->id, sprintf('The %s are broken loose with the vehicle up.', $joint->name),
                'Break them loose a quarter turn on the ground, before it is raised.',
            );
        }
        $booked = array_filter($run->sheet->steps, static fn (Step $one): bool => self::FOLLOW_UP === $one->asking->followUp->kind);
        null === $last || [] !== $booked || yield Finding::stop(
            'wheel-not-rechecked', $last->id, 'A wheel was off, and nothing makes anyone look at it again after the first kilometres.',
            'Book a second look after 50 to 100 km.',
        );
    }

    private static function fasteners(Run $run, Step $step): ?Joint
    {
        $item = $run->vehicle->items[$step->target->item] ?? null;

        return true === $item?->isWheel() ? $run->vehicle->wheelFasteners($item->id) : null;
    }

    private static function isLoosened(Run $run, Joint $joint, int $place): bool
    {
        foreach ($run->doing(StepKind::Undo) as $at => [$step, $rig]) {
            if ($step->target->joint === $joint->id && $at < $place) {
                return !$rig->raised;
            }
        }

        return false;
    }

    /**
     * At the first step that needs a wheel off, or takes one off, and nobody said what holds it.
     *
     * @return iterable<Finding>
     */
    private static function known(Run $run): iterable
    {
        foreach ($run->sheet->steps as $step) {
            $id = $step->itemOn($run->vehicle);
            $item = $run->vehicle->items[$id] ?? null;
            $isBlank = true === $item?->isWheel() ? null === $run->vehicle->wheelFasteners($id)
                : null !== $item && Position::WheelOff === $step->slot->position && !$run->vehicle->knowsTheWheelsBefore($id);
            if ($isBlank) {
                yield Finding::stop(
                    'wheel-not-held', $step->id, 'A wheel has to be off here, and the vehicle sheet does not say which and what holds it.',
                    'Enter the wheel: how many nuts or bolts, their thread, their figure.',
                );

                return;
            }
        }
    }
}
