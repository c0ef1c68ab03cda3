<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Demo;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use Symfony\Component\Uid\Ulid;

/** Works through a sheet as a mechanic would and writes down the events, for demo data and for history to measure on. */
final class FitPlayer
{
    /** Steps whose minutes the procedure has too low for this workshop, and how much more they take. */
    private const SLOW = ['off.fan' => 2.1, 'belt-spin' => 2.0];
    /** @var list<FitEvent> */
    private array $events = [];
    private ?Fit $fit = null;
    /** @var array<string, int> step => minutes somebody was called away before it */
    private array $away = [];

    public function __construct(
        private readonly Sheet $sheet,
        private readonly VehicleSheet $vehicle,
        private readonly string $by,
        private \DateTimeImmutable $at,
        private readonly float $pace = 1.0,
        private readonly int $seed = 0,
    ) {
    }

    /** Somebody is called away before a step, for so many minutes. */
    public function calledAway(string $step, int $minutes): self
    {
        $this->away[$step] = $minutes;

        return $this;
    }

    /** Does the steps in order until one of this id, which is left untouched. */
    public function untilStep(string $stop): self
    {
        foreach ($this->sheet->steps as $step) {
            if ($step->id === $stop) {
                break;
            }
            $this->doStep($step);
        }

        return $this;
    }

    public function throughout(): self
    {
        return $this->untilStep('');
    }

    public function doStep(Step $step): self
    {
        $luck = crc32($step->id.$this->seed);
        $this->at = $this->at->modify(sprintf('+%d minutes', $this->away[$step->id] ?? 0));
        $began = $this->at;
        $this->note($step);
        foreach ($this->fit()->state->inside as $put) {
            if ($this->isOutFor($put, $step)) {
                $this->add(EventType::TakenOut, ['step' => $put->step(), 'thing' => $put->string('thing')], 0.2);
            }
        }
        if ($step->slot->passive) {
            $this->add(EventType::StepStarted, ['step' => $step->id], 0.3);
            $this->at = $this->at->modify(sprintf('+%d seconds', (int) ceil(60 * $step->slot->minutes->likely)));
        }
        if ([] !== $step->needs->tray) {
            $this->add(EventType::CountedAll, ['step' => $step->id], $step->slot->minutes->likely * 0.7);
        }
        $this->fill($step);
        foreach ($this->fit()->readings()->asks($step) as $ask) {
            $this->measure($step, $ask, $step->slot->minutes->likely * 0.5);
        }
        foreach ($step->needs->puts as $put) {
            $this->add(EventType::PutIn, ['step' => $step->id, 'thing' => $put->thing], 0.3);
        }
        foreach ($this->fit()->tools()->listed($step) as $tool) {
            $this->add(EventType::ToolCounted, ['step' => $step->id, 'tool' => $tool], 0.1);
        }
        if (StepKind::Tighten === $step->deed) {
            $this->tighten($step);
        }

        return $this->add(EventType::StepDone, ['step' => $step->id], max(0.2, $this->left($step, $began, $luck)));
    }

    /** Minutes until it has taken what it is likely to take, a fifth more or less. */
    private function left(Step $step, \DateTimeImmutable $began, int $luck): float
    {
        $likely = $step->slot->minutes->byProcedure();
        if ($step->slot->passive) {
            return 0.3 * $likely;
        }
        $spent = ($this->at->getTimestamp() - $began->getTimestamp()) / 60 / $this->pace;

        return $likely * (self::SLOW[$step->id] ?? 1.0) * (0.82 + 0.4 * ($luck % 101) / 100) - $spent;
    }

    /** The stages of a fill routine, each with its time and its reading. */
    private function fill(Step $step): void
    {
        foreach (FillRoutine::named($step->asking->routine)->stages ?? [] as $stage) {
            $this->add(EventType::StageBegun, ['step' => $step->id, 'stage' => $stage->id], 0.6);
            $this->at = $this->at->modify(sprintf('+%d seconds', $stage->seconds + 2));
            foreach ($step->asking->asks as $ask) {
                $ask->field === $stage->ask && $this->measure($step, $ask, 0.3);
            }
        }
    }

    private function measure(Step $step, Ask $ask, float $minutes): void
    {
        if (null !== $this->fit()->state->reading($step->id, $ask->field)) {
            return;
        }
        $value = $this->plausible($ask);
        $text = $ask->limits->choices[(int) $value - 1]->label
            ?? trim(rtrim(rtrim(sprintf('%.1f', $value), '0'), '.').' '.$ask->unit);
        $this->add(EventType::Measured, [
            'step' => $step->id, 'field' => $ask->field, 'text' => $text, 'value' => $value, 'unit' => $ask->kind->baseUnit()->value,
        ], $minutes);
    }

    private function isOutFor(FitEvent $put, Step $step): bool
    {
        foreach ($this->sheet->step($put->step())->needs->puts ?? [] as $declared) {
            if ($declared->thing === $put->string('thing') && ($declared->outBefore === $step->id || StepKind::Start === $step->deed)) {
                return true;
            }
        }

        return false;
    }

    /** Marks fasteners of a joint, in its order, up to so many final ones. */
    public function tighten(Step $step, int $finals = \PHP_INT_MAX): self
    {
        $joint = $this->vehicle->joints[$step->target->joint] ?? throw new \LogicException('A tightening step has a joint.');
        $last = TighteningStages::of($joint)->final();
        for ($stage = 1; $stage <= $last; ++$stage) {
            foreach ($joint->pattern->order() as $i => $bolt) {
                if ($stage < $last || $i < $finals) {
                    $this->add(
                        EventType::FastenerMarked, ['step' => $step->id, 'joint' => $joint->id, 'bolt' => $bolt, 'stage' => $stage],
                        0.4,
                    );
                }
            }
        }

        return $this;
    }

    /** @param array<string, string|int|float> $payload */
    public function add(EventType $type, array $payload, float $minutes = 0.5): self
    {
        $this->at = $this->at->modify(sprintf('+%d seconds', max(1, (int) round($minutes * 60 * $this->pace))));
        $event = FitEvent::of(Ulid::generate($this->at), $type, $payload, $this->by, $this->at);
        $this->events[] = $event;
        $this->fit = $this->fit()->then($event);

        return $this;
    }

    /** @return list<FitEvent> */
    public function events(): array
    {
        return $this->events;
    }

    public function fit(): Fit
    {
        return $this->fit ??= new Fit($this->sheet, $this->vehicle, FitState::none());
    }

    public function note(Step $step): self
    {
        foreach ($step->words->cautions as $i => $caution) {
            if ($caution->acknowledge) {
                $this->add(EventType::CautionAcknowledged, ['step' => $step->id, 'caution' => $i], 0.2);
            }
        }

        return $this;
    }

    /** A reading as it would come out on a good day. */
    private function plausible(Ask $ask): float
    {
        return match ($ask->field) {
            'oil_drained' => round(0.94 * ($this->vehicle->circuitFor('oil')->capacity ?? 4.0), 1),
            'oil_filled' => round(0.95 * ($this->vehicle->circuitFor('oil')->capacity ?? 4.0), 1),
            'drained' => round(0.66 * ($this->vehicle->circuitFor('coolant')->capacity ?? 6.0), 1),
            'filled' => round(0.65 * ($this->vehicle->circuitFor('coolant')->capacity ?? 6.0), 1),
            'strength_before' => 38.0,
            'vacuum_pulled' => 82.0,
            'vacuum_lost' => 0.3,
            'coolant_temperature' => 19.0,
            'opened_at' => 87.0,
            'drive_temperature' => 92.0,
            default => $ask->limits->usual(),
        };
    }
}
