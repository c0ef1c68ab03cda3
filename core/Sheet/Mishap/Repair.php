<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sheet\Mishap;

use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Procedure\Asking;
use NimbleKnuckle\Core\Procedure\FollowUp;
use NimbleKnuckle\Core\Procedure\Needs;
use NimbleKnuckle\Core\Procedure\Operation;
use NimbleKnuckle\Core\Procedure\PutIn;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\Supply;
use NimbleKnuckle\Core\Procedure\Words;
use NimbleKnuckle\Core\Sheet\Step;

/** The steps that mend one mishap, written for the thing it happened to. */
final readonly class Repair
{
    /** On every step of a repair, with the id of the event that says what happened. */
    public const TAG = 'mishap:';

    /** @param string $what the name of the thing, as it is told to the mechanic */
    public function __construct(private string $event, private MishapWay $way, private string $what)
    {
    }

    /** The event a step belongs to; empty for a step of the plan. */
    public static function eventOf(Step $step): string
    {
        foreach ($step->tags as $tag) {
            if (str_starts_with($tag, self::TAG)) {
                return substr($tag, strlen(self::TAG));
            }
        }

        return '';
    }

    /**
     * @param int $number how many mishaps there are with this one; its steps bear it
     * @param Step $at the step it happened at
     *
     * @return array{list<Step>, list<Step>} what comes before that step goes on, and what is booked for later
     */
    public function steps(int $number, Step $at): array
    {
        $name = static fn (string $id): string => MishapWay::RESUME === $id ? $at->id : sprintf('mend%d-%s', $number, $id);
        $before = $later = [];
        $last = [];
        foreach ($this->way->operations as $operation) {
            $step = $this->written($operation, $name, $number);
            if (StepKind::Book === $operation->deed) {
                $later[] = $step;
                continue;
            }
            $position = 'any' === $operation->slot->position->value ? $at->slot->position : $operation->slot->position;
            $before[] = $step->with(phase: $at->slot->phase, position: $position, after: [...$at->slot->after, ...$last]);
            $last = [$step->id];
        }

        return [$before, $later];
    }

    /** @param \Closure(string): string $name */
    private function written(Operation $operation, \Closure $name, int $number): Step
    {
        [$words, $needs, $asking] = [$operation->words, $operation->needs, $operation->asking];
        $puts = array_map(fn (PutIn $put): PutIn => new PutIn(
            $this->told($put->thing), '' === $put->outBefore ? '' : $name($put->outs()[0]), $put->forGood,
        ), $needs->puts);

        return Step::fromOperation(new Operation(
            $name($operation->id), $operation->deed, $operation->aim,
            new Words(
                $this->told($words->title), $this->told($words->text), $this->told($words->why), $this->told($words->orientation),
                array_map(fn (Caution $caution): Caution => new Caution(
                    $this->told($caution->text), $caution->acknowledge,
                ), $words->cautions),
            ),
            $operation->slot->between([], '' === $operation->slot->until ? '' : $name($operation->slot->untils()[0])),
            new Needs($needs->tools, $this->supplies($needs->consumables), $this->supplies($needs->parts), $needs->tray, $puts),
            new Asking(
                $asking->asks, $asking->sum, $asking->routine, $this->followUp($asking->followUp, $number), shot: $asking->shot,
            ),
            [...$operation->tags, self::TAG.$this->event],
        ));
    }

    /**
     * @param list<Supply> $all
     *
     * @return list<Supply>
     */
    private function supplies(array $all): array
    {
        return array_map(fn (Supply $one): Supply => new Supply($this->told($one->name), $one->amount, $one->state), $all);
    }

    private function followUp(FollowUp $check, int $number): FollowUp
    {
        return $check->isNone() ? $check : new FollowUp(
            sprintf('%s-%d', $check->id, $number), $check->kind, $this->told($check->title), $this->told($check->text),
            $check->days, $check->km,
        );
    }

    private function told(string $text): string
    {
        return str_replace('{what}', $this->what, $text);
    }
}
