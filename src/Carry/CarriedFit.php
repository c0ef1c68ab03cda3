<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Carry;

use NimbleKnuckle\App\Bench\ActsAhead;
use NimbleKnuckle\App\Bench\BenchPage;
use NimbleKnuckle\App\Bench\BenchRegions;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\Core\Bench\Act\Turn;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\Receipt;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Sheet\Step;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * A fit for a tablet that goes where no server is: every step played on from here, as the bench would show it act by act, each reading
 * taken as one inside its limits. What the tablet does with it is its law's (assets/js/law.js).
 */
final readonly class CarriedFit
{
    private const MOST_ACTS = 90;

    public function __construct(
        private BenchPage $page, private BenchRegions $regions, private ActsAhead $ahead, private ClockInterface $clock,
        #[Autowire('%kernel.project_dir%/templates/bench')] private string $templates,
    ) {
    }

    /** Which build of the bench this is: another one shows a step otherwise. */
    public function build(): string
    {
        return (string) max(array_map(filemtime(...), [__FILE__, ...glob($this->templates.'/*.twig') ?: []]));
    }

    /** @return list<array<string, mixed>> step by step */
    public function of(FitRecord $record, Fit $fit, int $version, Authority $hand): array
    {
        $steps = [];
        foreach ($fit->sheet->steps as $place => $step) {
            [$frames, $then] = $this->frames($record, $fit, $step, $version, $hand, $place);
            $around = $this->regions->some($this->page->view($record, $fit, $step, $version, $hand, false), ['head', 'drawer', 'dialogs']);
            $steps[] = [
                'id' => $step->id, 'title' => BenchRegions::title($step, $fit->vehicle->short), 'regions' => $around, 'frames' => $frames,
            ];
            $fit = $then;
        }

        return $steps;
    }

    /** @return array{list<array<string, mixed>>, Fit} what is shown act by act, and the fit after it */
    private function frames(FitRecord $record, Fit $fit, Step $step, int $version, Authority $hand, int $place): array
    {
        $frames = [];
        $now = $this->clock->now();
        $shown = fn (Fit $fit): array => $this->frame($record, $fit, $step, $version, $hand);
        for ($i = 0; $i < self::MOST_ACTS && !$fit->state->isClosed($step->id); ++$i) {
            $act = $this->ahead->now($fit, $step);
            $wants = self::wants($fit, $step, $act->turn);
            // A stage that stands already stands on by the tablet's clock.
            $stands = $act->until > 0.0 ? ['timer' => (int) $act->seconds, 'stage' => $fit->routine($step)?->stage()->id] : [];
            $frames[] = $shown($fit) + ['act' => $act->toArray()] + ([] === $wants ? [] : ['wants' => $wants]) + $stands;
            $events = [] === $wants ? $this->ahead->played($fit, $step, $act, $now, 1000 * $place + $i)
                : $this->made($wants, $now, 1000 * $place + $i);
            foreach ($events as $event) {
                [$seconds, $later] = $this->stands($step, $event, $now);
                if ($seconds > 0 && $act->until <= 0.0) {
                    $waits = $fit->then(FitEvent::restored($event->id, $event->type, $event->payload, '', $now, new Receipt($now)));
                    $frames[] = $shown($waits) + ['timer' => $seconds, 'stage' => $event->string('stage')];
                }
                $fit = $fit->then($later);
            }
            if ([] === $events) {
                break;
            }
        }
        if (!$fit->state->isClosed($step->id)) {
            $fit = $fit->then($this->closing($step, $place, $now));
        }

        return [[...$frames, $shown($fit) + ['closed' => true]], $fit];
    }

    /**
     * How long what an event begins has to stand, and the event as it is once it has.
     *
     * @return array{int, FitEvent}
     */
    private function stands(Step $step, FitEvent $event, \DateTimeImmutable $now): array
    {
        if (EventType::StageBegun === $event->type) {
            return [$this->ahead->seconds($step, $event->string('stage')), $event];
        }
        if (EventType::StepStarted !== $event->type) {
            return [0, $event];
        }
        $seconds = (int) ceil(60 * $step->slot->minutes->likely);
        $then = $now->modify(sprintf('-%d seconds', $seconds + 5));

        return [$seconds, FitEvent::restored($event->id, $event->type, $event->payload, '', $then, new Receipt($then))];
    }

    /**
     * What is done beside the big button: a caution read, tools tapped, a picture taken.
     *
     * @return list<array<string, string|int>>
     */
    private static function wants(Fit $fit, Step $step, Turn $turn): array
    {
        return match ($turn) {
            Turn::Caution => self::cautions($fit, $step),
            Turn::Tools => array_map(
                static fn (string $tool): array => ['type' => 'tool-counted', 'step' => $step->id, 'tool' => $tool],
                $fit->tools()->missing($step),
            ),
            Turn::Photo => [[
                'type' => 'photo-taken', 'step' => $step->id, 'shot' => 'proof', 'hash' => str_repeat('0', 64), 'width' => 1, 'height' => 1,
            ]],
            default => [],
        };
    }

    /** @return list<array<string, string|int>> the next caution to be read */
    private static function cautions(Fit $fit, Step $step): array
    {
        foreach ($step->words->cautions as $i => $caution) {
            if ($caution->acknowledge && !isset($fit->state->seen[$step->id][$i])) {
                return [['type' => 'caution-acknowledged', 'step' => $step->id, 'caution' => $i]];
            }
        }

        return [];
    }

    /**
     * @param list<array<string, string|int>> $wants
     *
     * @return list<FitEvent>
     */
    private function made(array $wants, \DateTimeImmutable $now, int $turn): array
    {
        $events = [];
        foreach ($wants as $n => $want) {
            $type = EventType::from((string) $want['type']);
            $events[] = FitEvent::of(sprintf('7ZZZZZZZZZ%08d%08d', $turn, $n), $type, array_diff_key($want, ['type' => '']), '', $now);
        }

        return $events;
    }

    /** @return array<string, mixed> */
    private function frame(FitRecord $record, Fit $fit, Step $step, int $version, Authority $hand): array
    {
        return $this->regions->some($this->page->view($record, $fit, $step, $version, $hand, false), ['work', 'thumb']);
    }

    private function closing(Step $step, int $place, \DateTimeImmutable $now): FitEvent
    {
        return FitEvent::of(sprintf('7ZZZZZZZZZ%08d%08d', 1000 * $place + 999, 0), EventType::StepDone, ['step' => $step->id], '', $now);
    }
}
