<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Procedure\Flow;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** Reads a log by itself, knowing nothing of states, ledgers or the law, and says what it leaves unresolved. */
final class Oracle
{
    /** @var list<FitEvent> */
    private array $log = [];

    /** @param list<FitEvent> $events */
    public function __construct(private readonly Sheet $sheet, private readonly VehicleSheet $vehicle, array $events)
    {
        $undone = [];
        foreach ($events as $event) {
            EventType::Undone === $event->type && $undone[$event->string('event')] = true;
        }
        foreach ($events as $event) {
            isset($undone[$event->id]) || $this->log[] = $event;
        }
    }

    /** @return list<string> */
    public function unresolved(): array
    {
        return [
            ...$this->counts(), ...$this->circuits(), ...$this->joints(), ...$this->weights(), ...$this->holds(),
            ...$this->inside(), ...$this->safety(), ...$this->proofs(),
        ];
    }

    /** @return list<string> steps that ask for a proof, were closed without a reason, and have none */
    private function proofs(): array
    {
        $wrong = [];
        foreach ($this->sheet->steps as $step) {
            $taken = array_filter($this->log, static fn (FitEvent $e): bool => EventType::PhotoTaken === $e->type
                && $e->string('step') === $step->id && 'proof' === $e->string('shot'));
            $closed = array_filter($this->log, static fn (FitEvent $e): bool => EventType::StepDone === $e->type
                && $e->string('step') === $step->id && !$e->hasReason());
            if ('proof' === $step->asking->shot?->value && [] !== $closed && [] === $taken && $this->isClosed($step->id)) {
                $wrong[] = $step->id.': no proof';
            }
        }

        return $wrong;
    }

    /** @return list<string> */
    private function counts(): array
    {
        $wrong = [];
        foreach ($this->closedInTheEnd(StepKind::Remove) as $off) {
            $on = $this->sheet->doing(StepKind::Refit, $off->target->item)[0] ?? null;
            if (null === $on || !$this->isClosed($on->id)) {
                $wrong[] = $off->target->item.' is off';
                continue;
            }
            foreach ($off->needs->tray as $line) {
                [$out, $back, $gone] = [$this->tally($off, $line->thing, $line->count), $this->tally($on, $line->thing, $line->count), 0];
                foreach ($this->log as $e) {
                    if ($e->string('thing') === $line->thing && in_array($e->string('step'), [$off->id, $on->id], true)) {
                        $gone += match ($e->type) {
                            EventType::Dropped => $this->isFound($e->id) ? 0 : 1,
                            EventType::Broke => 1,
                            EventType::Settled => 0,
                            EventType::Replaced => -1,
                            default => 0,
                        };
                    }
                }
                if ($gone > 0) {
                    $wrong[] = sprintf('%s of %s: %d gone for good', $line->thing, $off->target->item, $gone);
                }
                if ($back < $line->count) {
                    $wrong[] = sprintf('%s of %s: %d of %d back (%d out)', $line->thing, $off->target->item, $back, $line->count, $out);
                }
            }
        }

        return $wrong;
    }

    private function tally(Step $step, string $thing, int $all): int
    {
        $count = 0;
        foreach ($this->log as $e) {
            if ($e->string('step') === $step->id) {
                if (EventType::CountedAll === $e->type) {
                    $count = $all;
                } elseif (EventType::Counted === $e->type && $e->string('thing') === $thing) {
                    $count += $e->int('by');
                }
            }
        }

        return $count;
    }

    private function isFound(string $id): bool
    {
        foreach ($this->log as $e) {
            if (EventType::Found === $e->type && $e->string('dropped') === $id) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> */
    private function circuits(): array
    {
        $wrong = [];
        foreach ($this->vehicle->circuits as $circuit) {
            [$opened, $filled, $in, $out] = [false, false, null, null];
            foreach ($this->log as $e) {
                $step = $this->sheet->step($e->string('step'));
                if (null === $step || $step->target->circuit !== $circuit->id) {
                    continue;
                }
                $opened = $opened || StepKind::Drain === $step->deed && in_array(
                    $e->type, [EventType::StepStarted, EventType::StepDone], true
                );
                $filled = $filled || StepKind::Fill === $step->deed && EventType::StepDone === $e->type && $this->isClosed($step->id);
                foreach (EventType::Measured === $e->type ? $step->asking->asks : [] as $ask) {
                    if ($ask->field === $e->string('field')) {
                        $in = Flow::In === $ask->flow ? $e->float('value') : $in;
                        $out = Flow::Out === $ask->flow ? $e->float('value') : $out;
                    }
                }
            }
            $opened && !$filled && $wrong[] = $circuit->id.' is open';
            null !== $in && null !== $out && abs($in - $out) > max(0.3, 0.08 * $out) + 1e-6 && $wrong[] = sprintf(
                '%s: %.2f out, %.2f in', $circuit->id, $out, $in,
            );
            max($in ?? 0.0, $out ?? 0.0) > 1.15 * $circuit->capacity + 1e-6
                && $circuit->capacity > 0
                && $wrong[] = $circuit->id.': more than it holds';
        }

        return $wrong;
    }

    /** @return list<string> */
    private function joints(): array
    {
        $wrong = [];
        foreach ($this->sheet->doing(StepKind::Tighten) as $step) {
            $joint = $this->vehicle->joints[$step->target->joint];
            $marks = array_values(
                array_filter(
                    $this->log,
                    static fn (FitEvent $e): bool => EventType::FastenerMarked === $e->type && $e->string('joint') === $joint->id,
                ),
            );
            $off = '' !== $joint->item && [] !== array_filter(
                $this->closedInTheEnd(StepKind::Remove), static fn (Step $s): bool => $s->target->item === $joint->item,
            );
            if ([] === $marks && !$off) {
                continue;
            }
            $last = [];
            foreach ($marks as $mark) {
                $last[$mark->int('bolt')] = $mark->int('stage');
            }
            for ($bolt = 1; $bolt <= $joint->count(); ++$bolt) {
                ($last[$bolt] ?? 0) === TighteningStages::of($joint)->final() || $wrong[] = sprintf(
                    'bolt %d of %s is at %d', $bolt, $joint->id, $last[$bolt] ?? 0,
                );
            }
        }

        return $wrong;
    }

    /** @return list<string> */
    private function weights(): array
    {
        $held = [];
        $raised = false;
        $battery = true;
        foreach ($this->log as $e) {
            $step = $this->sheet->step($e->string('step'));
            if (EventType::StepDone !== $e->type || null === $step || !$this->isLastClosing($e)) {
                continue;
            }
            match ($step->deed) {
                StepKind::Hold => $held[$step->target->load->body] = true,
                StepKind::Release => $held[$step->target->load->body] = false,
                StepKind::Raise => $raised = true,
                StepKind::Lower => $raised = false,
                StepKind::BatteryOff => $battery = false,
                StepKind::BatteryOn => $battery = true,
                default => null,
            };
        }

        return [
            ...array_map(static fn (string $body): string => $body.' still hangs', array_keys(array_filter($held))),
            ...$raised ? ['still on stands'] : [], ...$battery ? [] : ['battery off'],
        ];
    }

    /** @return list<string> timed stages whose last round was shorter than it should be */
    private function holds(): array
    {
        $wrong = [];
        foreach ($this->sheet->steps as $step) {
            $routine = FillRoutine::named($step->asking->routine);
            if (null === $routine || !$this->isClosed($step->id)) {
                continue;
            }
            foreach ($routine->stages as $stage) {
                $wrong = [
                    ...$wrong,
                    ...$stage->seconds > 0 ? $this->hold(
                        $step, $stage->id, $stage->seconds,
                        in_array($stage->ask, array_column($step->asking->asks, 'field'), true) ? $stage->ask : '',
                    ) : [],
                ];
            }
        }

        return $wrong;
    }

    /** @return list<string> */
    private function hold(Step $step, string $stage, int $seconds, string $ask): array
    {
        $begun = null;
        $ended = null;
        foreach ($this->log as $e) {
            if ($e->string('step') !== $step->id) {
                continue;
            }
            if (EventType::StageBegun === $e->type) {
                $ended = null !== $begun && null === $ended && '' === $ask ? $e : $ended;
                [$begun, $ended] = $e->string('stage') === $stage ? [$e, null] : [$begun, $ended];
            } elseif (EventType::Measured === $e->type && '' !== $ask && $e->string('field') === $ask) {
                $ended = $e;
            }
        }
        $stood = null === $begun || null === $ended ? -1 : $ended->at->getTimestamp() - $begun->at->getTimestamp();

        return $stood >= $seconds - 2 ? [] : [sprintf('%s of %s stood %d of %d s', $stage, $step->id, $stood, $seconds)];
    }

    /** @return list<string> */
    private function inside(): array
    {
        $inside = [];
        foreach ($this->log as $e) {
            $key = $e->string('step').' '.$e->string('thing');
            EventType::PutIn === $e->type && $inside[$key] = true;
            if (EventType::TakenOut === $e->type) {
                unset($inside[$key]);
            }
        }

        return array_map(static fn (string $key): string => $key.' is inside', array_keys($inside));
    }

    /** @return list<string> */
    private function safety(): array
    {
        $wrong = [];
        foreach ($this->sheet->steps as $step) {
            foreach ($step->asking->asks as $ask) {
                $read = array_values(
                    array_filter(
                        $this->log,
                        static fn (FitEvent $e): bool => EventType::Measured === $e->type
                            && $e->string('step') === $step->id
                            && $e->string('field') === $ask->field,
                    ),
                );
                $last = [] === $read ? null : $read[count($read) - 1]->float('value');
                null !== $last && !$ask->resolved($this->lastRead(...))->isOutside($last) || $wrong[] = sprintf(
                    '%s of %s reads %s', $ask->field, $step->id, $last ?? 'nothing',
                );
            }
        }

        return $wrong;
    }

    private function lastRead(string $field): ?float
    {
        $value = null;
        foreach ($this->log as $e) {
            $value = EventType::Measured === $e->type && $e->string('field') === $field ? $e->float('value') : $value;
        }

        return $value;
    }

    /** @return list<Step> */
    private function closedInTheEnd(StepKind $deed): array
    {
        return array_values(array_filter($this->sheet->doing($deed), fn (Step $step): bool => $this->isClosed($step->id)));
    }

    private function isClosed(string $step): bool
    {
        $closed = false;
        foreach ($this->log as $e) {
            if ($e->string('step') === $step) {
                $closed = EventType::StepDone === $e->type || EventType::StepReopened !== $e->type && $closed;
            }
        }

        return $closed;
    }

    /** Whether a step-done is the one that stands: not opened again after it. */
    private function isLastClosing(FitEvent $done): bool
    {
        $after = false;
        foreach ($this->log as $e) {
            $after = $after || $e === $done;
            if ($after && EventType::StepReopened === $e->type && $e->string('step') === $done->string('step')) {
                return false;
            }
        }

        return true;
    }
}
