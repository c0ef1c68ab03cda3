<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Told;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\FastenerMarked;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Procedure\Choice;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Joint;

/** A fit retold from its log for those who were not there: whoever reviews it, signs it, prints it, or owns the vehicle. */
final readonly class FitNarrative
{
    /** How the fields of readings end that are taken before the work and after it. */
    private const BEFORE = '_before';
    private const AFTER = '_after';

    /** Minutes between two marks past which nobody was there; as for the hands. */
    private const AWAY = 60.0;

    public function __construct(private Fit $fit)
    {
    }

    /** @return list<ReadingTold> in the order of the sheet; the last one written where it was taken again */
    public function readings(): array
    {
        return array_values($this->byField());
    }

    /** @return list<array{before: ReadingTold, after: ReadingTold}> what was measured before the work and after it */
    public function twice(): array
    {
        $read = [];
        foreach ($this->byField() as $key => $one) {
            $read[explode(' ', $key)[1] ?? ''] = $one;
        }
        $twice = [];
        foreach ($read as $field => $after) {
            $stem = str_ends_with($field, self::AFTER) ? substr($field, 0, -strlen(self::AFTER)) : '';
            $before = $read[$stem.self::BEFORE] ?? $read[$stem] ?? null;
            if ('' !== $stem && null !== $before) {
                $twice[] = ['before' => $before, 'after' => $after];
            }
        }

        return $twice;
    }

    /** @return array<string, ReadingTold> step and field => */
    private function byField(): array
    {
        $told = [];
        foreach ($this->fit->sheet->steps as $step) {
            foreach ($this->fit->readings()->asks($step) as $ask) {
                $reading = $this->fit->state->readings[$step->id][$ask->field] ?? null;
                if (null !== $reading) {
                    $told[$step->id.' '.$ask->field] = new ReadingTold(
                        $step->id, $step->words->title, $ask->label, $reading->said(), self::limits($ask), $ask->isOutside($reading->value),
                        $reading->by, $reading->at,
                    );
                }
            }
        }

        return $told;
    }

    /** Limits are kept in the base unit and said in the unit that is asked for. */
    private static function limits(Ask $ask): string
    {
        if ([] !== $ask->limits->choices) {
            return implode(', ', array_column(array_filter(
                $ask->limits->choices, static fn (Choice $one): bool => $one->isGood,
            ), 'label'));
        }
        if (!$ask->limits->isSet) {
            return '';
        }
        $said = static fn (float $value): string => Digits::significant($ask->inUnit($value), 3, true);

        return sprintf('%s to %s%s%s', $said($ask->limits->low), $said($ask->limits->high), Digits::GROUP, $ask->unit()->symbol());
    }

    /** @return list<JointTold> those any mark was made on, in the order they were begun */
    public function joints(): array
    {
        $told = [];
        foreach ($this->fit->state->marked as $id => $marks) {
            $joint = $this->fit->vehicle->joints[$id] ?? null;
            null === $joint || $told[] = $this->joint($joint, $marks);
        }

        return $told;
    }

    /** @param list<FitEvent> $marks */
    private function joint(Joint $joint, array $marks): JointTold
    {
        $final = TighteningStages::of($joint)->final();
        $order = $wrenches = $by = [];
        $at = null;
        foreach ($marks as $mark) {
            $by[$mark->by] = true;
            $at = $mark->at;
            $fact = $mark->as(FastenerMarked::class);
            if ('' !== $fact->wrench) {
                $setting = $fact->setting;
                $wrenches[$fact->wrench.($setting > 0.0 ? sprintf(
                    ', %s%sN·m', Digits::significant($setting, 3, true), Digits::GROUP,
                ) : '')] = true;
            }
            if ($fact->stage >= $final && $this->fit->state->stage($joint->id, $fact->bolt) >= $final) {
                $order[$fact->bolt] = true;
            }
        }
        $inWords = $joint->spec->inWords();

        return new JointTold(
            $joint->name, sprintf('%d × %s', $joint->count(), trim($joint->fastener->thread.' '.$joint->fastener->grade)),
            '' === $joint->stated() ? '' : sprintf(
                '%s (%s)', $joint->stated().('' === $inWords ? '' : ', '.$inWords), $joint->origin()->label(),
            ),
            array_keys($order), $joint->count(),
            array_map(strval(...), array_keys($wrenches)), array_map(strval(...), array_keys($by)), $at,
        );
    }

    /** @return list<PhaseTold> the phases the sheet has */
    public function phases(): array
    {
        $taken = $this->minutes();
        $told = [];
        foreach (Phase::cases() as $phase) {
            $steps = $this->fit->sheet->inPhase($phase);
            $of = static fn (array $state): int => count(array_filter($steps, static fn (Step $step): bool => isset($state[$step->id])));
            $hands = array_filter($steps, static fn (Step $step): bool => !$step->slot->passive);
            [] === $steps || $told[] = new PhaseTold(
                $phase, array_sum(array_map(static fn (Step $step): float => $step->slot->minutes->likely, $hands)),
                $taken[$phase->value] ?? 0.0, $of($this->fit->state->done), $of($this->fit->state->skipped), count($steps),
            );
        }

        return $told;
    }

    /** @return array<string, float> phase => minutes from mark to mark; a gap belongs to the step the later mark is on */
    private function minutes(): array
    {
        $taken = [];
        $last = null;
        foreach ($this->fit->state->log as $event) {
            $phase = $this->fit->sheet->step($event->step())->slot->phase->value ?? null;
            $gap = null === $last ? 0.0 : ((float) $event->at->format('U.u') - (float) $last->format('U.u')) / 60;
            if (null !== $phase && $gap > 0.0 && $gap <= self::AWAY) {
                $taken[$phase] = ($taken[$phase] ?? 0.0) + $gap;
            }
            $last = $event->at;
        }

        return $taken;
    }

    /** @return array<string, int> person => steps closed, most first */
    public function stepsOf(): array
    {
        $steps = [];
        foreach ([...array_values($this->fit->state->done), ...array_values($this->fit->state->skipped)] as $event) {
            $steps[$event->by] = ($steps[$event->by] ?? 0) + 1;
        }
        arsort($steps);

        return $steps;
    }

    /** How many facts the log holds: who signs has seen so many of them, and none more. */
    public function facts(): int
    {
        return count(array_filter($this->fit->state->log, static fn (FitEvent $event): bool => EventType::Signed !== $event->type));
    }
}
