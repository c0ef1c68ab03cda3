<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Sheet\Step;

/** What a tired, a hasty or a dishonest hand makes of an honest event. It gives no reasons. */
final readonly class Careless
{
    public function __construct(private \Random\Randomizer $luck)
    {
    }

    /**
     * The same event done badly: another number, too early, another bolt.
     *
     * @param array{EventType, array<string, string|int|float>, float} $honest
     *
     * @return array{EventType, array<string, string|int|float>, float}
     */
    public function hasty(array $honest): array
    {
        [$type, $payload] = $honest;

        return match ($type) {
            EventType::Measured => [$type, ['value' => (float) $payload['value'] * $this->luck->getInt(4, 13) / 10] + $payload, 1.0],
            EventType::FastenerMarked => [$type, ['bolt' => $this->luck->getInt(1, 4)] + $payload, 1.0],
            EventType::Counted => [$type, ['by' => (int) $payload['by'] + $this->luck->getInt(-2, 3)] + $payload, 1.0],
            default => [$type, $payload, 0.2],
        };
    }

    /**
     * What a tired, a hasty or a dishonest hand would send instead. It gives no reason.
     *
     * @param array{EventType, array<string, string|int|float>, float} $honest
     *
     * @return array{EventType, array<string, string|int|float>, float}|null null: the honest event is simply left out once
     */
    public function falsified(Fit $fit, array $honest): ?array
    {
        [$type, $payload, $seconds] = $honest;
        $steps = $fit->sheet->steps;
        $any = $steps[$this->luck->getInt(0, count($steps) - 1)];
        $here = $fit->sheet->step((string) ($payload['step'] ?? '')) ?? $any;
        $log = $fit->state->log;

        return match ($this->luck->getInt(0, 13)) {
            0 => [EventType::StepDone, ['step' => $here->id], 0.2],
            1 => [EventType::StepDone, ['step' => $any->id], 1.0],
            2 => $this->piece(EventType::Dropped, $fit),
            3 => $this->piece(EventType::Broke, $fit),
            4 => $this->piece(EventType::Replaced, $fit),
            5 => [EventType::CountedAll, ['step' => $here->id], 1.0],
            6 => [] === $here->needs->tray ? null : [
                EventType::Counted, ['step' => $here->id, 'thing' => $here->needs->tray[0]->thing, 'by' => $this->luck->getInt(-4, 6)], 1.0,
            ],
            7 => EventType::Measured === $type ? [
                $type, ['value' => (float) $payload['value'] * $this->luck->getInt(0, 30) / 10] + $payload, 1.0,
            ] : null,
            8 => [$type, $payload, min($seconds, 1.0)],
            9 => EventType::FastenerMarked === $type ? [
                $type, ['bolt' => $this->luck->getInt(1, 8)] + $payload, 1.0,
            ] : $this->loosen($fit),
            10 => [] === $log ? null : [EventType::Undone, ['event' => $log[$this->luck->getInt(0, count($log) - 1)]->id], 1.0],
            11 => [EventType::StepReopened, ['step' => $any->id], 1.0],
            12 => [EventType::PutIn, ['step' => $any->id, 'thing' => 'rag'], 2.0],
            default => '' === $here->asking->routine ? [
                EventType::StepStarted, ['step' => $any->id], 1.0,
            ] : [EventType::StageBegun, ['step' => $here->id, 'stage' => $fit->routine($here)?->next()->id ?? 'x'], 1.0],
        };
    }

    /** @return array{EventType, array<string, string|int|float>, float}|null */
    private function piece(EventType $type, Fit $fit): ?array
    {
        $trays = array_values(array_filter($fit->sheet->steps, static fn (Step $step): bool => [] !== $step->needs->tray));
        if ([] === $trays) {
            return null;
        }
        $step = $trays[$this->luck->getInt(0, count($trays) - 1)];
        $thing = $step->needs->tray[$this->luck->getInt(0, count($step->needs->tray) - 1)]->thing;

        return [$type, ['step' => $step->id, 'thing' => $thing] + (EventType::Dropped === $type ? ['what' => $thing] : []), 5.0];
    }

    /** @return array{EventType, array<string, string|int|float>, float} */
    private function loosen(Fit $fit): array
    {
        $joints = array_values($fit->vehicle->joints);
        $joint = $joints[$this->luck->getInt(0, count($joints) - 1)];

        return [EventType::FastenerMarked, ['joint' => $joint->id, 'bolt' => 1, 'stage' => $this->luck->getInt(0, 2)], 3.0];
    }
}
