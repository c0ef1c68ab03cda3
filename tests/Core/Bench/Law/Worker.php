<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Signing\LooseEnd;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Fluids\Fill\FillStage;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Procedure\Flow;
use NimbleKnuckle\Core\Procedure\PictureRequest;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;

/** An honest pair of hands: says what it does next at a fit as it stands, with the seconds it takes. It gives no reasons. */
final class Worker
{
    public const LEAVES_IN = 'leaves in what was put in';

    public function __construct(private readonly \Random\Randomizer $luck, private readonly string $habit = '')
    {
    }

    /**
     * @return array{EventType, array<string, string|int|float>, float}|null null at the step to stop at, and when there
     *                                                                       is nothing left but to sign
     */
    public function next(Fit $fit, string $stop = ''): ?array
    {
        foreach ($fit->sheet->steps as $step) {
            if (!$fit->state->isClosed($step->id)) {
                if ($step->id === $stop) {
                    return null;
                }

                return $this->at($fit, $step);
            }
        }

        return $this->mend($fit);
    }

    /** @return array{EventType, array<string, string|int|float>, float} */
    private function at(Fit $fit, Step $step): array
    {
        return $this->caution($fit, $step)
            ?? $this->takeOut($fit, $step)
            ?? $this->start($fit, $step)
            ?? $this->count($fit, $step)
            ?? $this->putIn($fit, $step)
            ?? $this->bolt($fit, $step) ?? $this->stage($fit, $step) ?? $this->read($fit, $step) ?? $this->tool($fit, $step)
            ?? $this->picture($fit, $step)
            ?? [EventType::StepDone, ['step' => $step->id], StepKind::Wait === $step->deed ? 60 * $step->slot->minutes->likely + 1 : 20.0];
    }

    /** @return array{EventType, array<string, string|int|float>, float}|null */
    private function picture(Fit $fit, Step $step): ?array
    {
        foreach ($fit->state->photos as $photo) {
            if ($photo->string('step') === $step->id) {
                return null;
            }
        }

        return PictureRequest::Proof !== $step->asking->shot ? null : [EventType::PhotoTaken, [
            'step' => $step->id, 'hash' => hash('sha256', $step->id), 'width' => 1600, 'height' => 1200, 'shot' => 'proof',
        ], 25.0];
    }

    /** @return array{EventType, array<string, string|int|float>, float}|null */
    private function caution(Fit $fit, Step $step): ?array
    {
        foreach ($step->words->cautions as $i => $caution) {
            if ($caution->acknowledge && !isset($fit->state->seen[$step->id][$i])) {
                return [EventType::CautionAcknowledged, ['step' => $step->id, 'caution' => $i], 4.0];
            }
        }

        return null;
    }

    /** @return array{EventType, array<string, string|int|float>, float}|null */
    private function takeOut(Fit $fit, Step $step): ?array
    {
        foreach (self::LEAVES_IN === $this->habit ? [] : $fit->state->inside as $put) {
            $declared = array_column($fit->sheet->step($put->string('step'))->needs->puts ?? [], 'outBefore', 'thing');
            $runs = StepKind::Start === $step->deed || StepKind::Drive === $step->deed;
            if ($runs || ($declared[$put->string('thing')] ?? '') === $step->id) {
                return [EventType::TakenOut, ['step' => $put->string('step'), 'thing' => $put->string('thing')], 5.0];
            }
        }

        return null;
    }

    /** @return array{EventType, array<string, string|int|float>, float}|null */
    private function start(Fit $fit, Step $step): ?array
    {
        return !$step->slot->passive || $fit->state->isStarted($step->id) ? null : [EventType::StepStarted, ['step' => $step->id], 10.0];
    }

    /** @return array{EventType, array<string, string|int|float>, float}|null */
    private function count(Fit $fit, Step $step): ?array
    {
        foreach (StepKind::Remove === $step->deed || StepKind::Refit === $step->deed ? $fit->pieces()->ofTray($step) : [] as $count) {
            $now = StepKind::Remove === $step->deed ? $count->tray : $count->back;
            $wanted = StepKind::Remove === $step->deed ? $count->room() : $count->off();
            if ($now !== $wanted) {
                $missing = StepKind::Refit === $step->deed && $wanted > $count->atHand();

                return match (true) {
                    $missing && $count->lost() > 0 => $this->find($fit, $count->thing),
                    $missing => [EventType::Replaced, ['step' => $step->id, 'thing' => $count->thing], 30.0],
                    0 === $now && $wanted === $count->expected && 1 === count($step->needs->tray) && 0 === $this->luck->getInt(0, 1) => [
                        EventType::CountedAll, ['step' => $step->id], 60.0,
                    ],
                    default => [EventType::Counted, ['step' => $step->id, 'thing' => $count->thing, 'by' => $wanted - $now], 15.0],
                };
            }
        }

        return null;
    }

    /** @return array{EventType, array<string, string|int|float>, float} */
    private function find(Fit $fit, string $thing): array
    {
        foreach ($fit->state->dropped as $id => $event) {
            if ('' === $thing || $event->string('thing') === $thing) {
                return [EventType::Found, ['dropped' => $id], 90.0];
            }
        }

        throw new \LogicException('Nothing was dropped.');
    }

    /** @return array{EventType, array<string, string|int|float>, float}|null */
    private function putIn(Fit $fit, Step $step): ?array
    {
        foreach ($step->needs->puts as $put) {
            $key = $step->id.' '.$put->thing;
            if (!isset($fit->state->inside[$key]) && !isset($fit->state->everInside[$key])) {
                return [EventType::PutIn, ['step' => $step->id, 'thing' => $put->thing], 8.0];
            }
        }

        return null;
    }

    /** @return array{EventType, array<string, string|int|float>, float}|null */
    private function bolt(Fit $fit, Step $step): ?array
    {
        $joint = $fit->vehicle->joints[$step->target->joint] ?? null;
        if (StepKind::Tighten !== $step->deed || null === $joint) {
            return null;
        }
        if ([] !== $fit->joints()->passFaults($joint->id)) {
            foreach ($joint->pattern->order() as $bolt) {
                if ($fit->state->stage($joint->id, $bolt) > 0) {
                    return [EventType::FastenerMarked, ['joint' => $joint->id, 'bolt' => $bolt, 'stage' => 0, 'step' => $step->id], 10.0];
                }
            }
        }
        [$bolt, $stage] = $fit->joints()->nextBolt($joint);

        return 0 === $bolt ? null : [
            EventType::FastenerMarked, ['joint' => $joint->id, 'bolt' => $bolt, 'stage' => $stage, 'step' => $step->id], 9.0,
        ];
    }

    /** @return array{EventType, array<string, string|int|float>, float}|null */
    private function stage(Fit $fit, Step $step): ?array
    {
        $run = $fit->routine($step);
        if (null === $run) {
            return null;
        }
        foreach ($fit->holds($step) as $hold) {
            // Not always noticed: then the law has to.
            if ($hold->isShort() && null !== $hold->end && 0 === $this->luck->getInt(0, 1)) {
                return [EventType::StageBegun, ['step' => $step->id, 'stage' => $hold->stage->id], 5.0];
            }
        }
        $stage = $run->stage();
        $ask = $run->isBegun() ? $this->ask($step, $stage->ask) : null;
        if (null !== $ask && !$this->isReadSince($fit, $step, $stage)) {
            return $this->reading($fit, $step, $ask, $stage->seconds + 3.0);
        }
        $next = $run->isBegun() ? $run->next() : $run->stage();

        return null === $next ? null : [
            EventType::StageBegun, ['step' => $step->id, 'stage' => $next->id],
            ($run->isBegun() && null === $ask ? $stage->seconds : 0.0) + 6.0,
        ];
    }

    private function isReadSince(Fit $fit, Step $step, FillStage $stage): bool
    {
        $begun = array_values(
            array_filter($fit->state->routines[$step->id] ?? [], static fn ($e): bool => $e->string('stage') === $stage->id),
        );
        $read = $fit->state->reading($step->id, $stage->ask);

        return null !== $read && [] !== $begun && $read->at > $begun[count($begun) - 1]->at;
    }

    /** @return array{EventType, array<string, string|int|float>, float}|null */
    private function read(Fit $fit, Step $step): ?array
    {
        foreach ($fit->readings()->asks($step) as $ask) {
            $reading = $fit->state->reading($step->id, $ask->field);
            if (null === $reading || $ask->isOutside($reading->value)) {
                return $this->reading($fit, $step, $ask, 12.0);
            }
        }

        return null;
    }

    /** @return array{EventType, array<string, string|int|float>, float} */
    private function reading(Fit $fit, Step $step, Ask $ask, float $seconds): array
    {
        $circuit = $fit->vehicle->circuits[$step->target->circuit] ?? null;
        $capacity = $circuit->capacity ?? 5.0;
        $out = null === $circuit ? null : $fit->flows()->of($circuit, Flow::Out);
        $value = match (true) {
            Flow::Out === $ask->flow => 0.7 * $capacity,
            Flow::In === $ask->flow => ($out->value ?? 0.7 * $capacity) + 0.01 * $this->luck->getInt(-20, 20),
            'vacuum_lost' === $ask->field => 0.2,
            [] !== $ask->limits->choices => $ask->limits->usual(),
            $ask->limits->isSet => $ask->limits->low + ($ask->limits->high - $ask->limits->low) * $this->luck->getInt(20, 80) / 100,
            default => 10.0,
        };

        return [
            EventType::Measured,
            [
                'step' => $step->id, 'field' => $ask->field, 'text' => round($value, 2).' '.$ask->unit, 'value' => $value,
                'unit' => '' === $ask->unit ? '1' : $ask->unit,
            ],
            $seconds,
        ];
    }

    private function ask(Step $step, string $field): ?Ask
    {
        foreach ($step->asking->asks as $ask) {
            if ($ask->field === $field) {
                return $ask;
            }
        }

        return null;
    }

    /** @return array{EventType, array<string, string|int|float>, float}|null */
    private function tool(Fit $fit, Step $step): ?array
    {
        $missing = $fit->tools()->missing($step);

        return [] === $missing ? null : [EventType::ToolCounted, ['step' => $step->id, 'tool' => $missing[0]], 3.0];
    }

    /**
     * Every step is closed: what is loose still is put right, or its step opened again.
     *
     * @return array{EventType, array<string, string|int|float>, float}|null
     */
    private function mend(Fit $fit): ?array
    {
        $end = SignOff::of($fit)->looseEnds()[0] ?? null;
        if (null === $end) {
            return null;
        }
        $step = $fit->sheet->step($end->step);
        $put = str_starts_with($end->id, 'inside:') ? $fit->state->inside[substr($end->id, 7)] : null;

        return match (true) {
            str_starts_with($end->id, 'dropped:') => [EventType::Found, ['dropped' => substr($end->id, 8)], 60.0],
            null !== $put => [EventType::TakenOut, ['step' => $put->string('step'), 'thing' => $put->string('thing')], 5.0],
            str_starts_with($end->id, 'tool:') && null !== $step => [
                EventType::ToolCounted, ['step' => $step->id, 'tool' => substr($end->id, 5)], 5.0,
            ],
            str_starts_with($end->id, 'flow:') && null !== $step => $this->reading(
                $fit, $step, array_values(array_filter($step->asking->asks, static fn (Ask $a): bool => Flow::In === $a->flow))[0], 20.0,
            ),
            str_starts_with($end->id, 'broken:') && null !== $step => $this->replace($step, $end),
            default => [EventType::StepReopened, ['step' => $end->step], 30.0],
        };
    }

    /** @return array{EventType, array<string, string|int|float>, float} */
    private function replace(Step $step, LooseEnd $end): array
    {
        return [EventType::Replaced, ['step' => $step->id, 'thing' => explode(':', $end->id, 3)[2]], 40.0];
    }
}
