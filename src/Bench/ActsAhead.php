<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\App\Kit\KitReader;
use NimbleKnuckle\Core\Bench\Act\Act;
use NimbleKnuckle\Core\Bench\Act\NextAct;
use NimbleKnuckle\Core\Bench\Act\Turn;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\Receipt;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Sheet\Step;
use Psr\Clock\ClockInterface;

/**
 * The acts of a step after the one in turn, as far as they are known beforehand: played on from here, each reading taken as
 * one inside its limits. A tablet goes on by them without a connection, and draws the next one before the server answers.
 */
final readonly class ActsAhead
{
    private const MOST = 90;

    public function __construct(private KitReader $kit, private ClockInterface $clock)
    {
    }

    /** The act in turn. */
    public function now(Fit $fit, Step $step): Act
    {
        return $this->next($this->clock->now())->for($fit, $step);
    }

    private function next(\DateTimeImmutable $now): NextAct
    {
        return new NextAct($this->kit->kit(), $now);
    }

    /** @return list<array<string, mixed>> the act in turn first; each with a key of its own for all that follows from it */
    public function of(Fit $fit, Step $step): array
    {
        $acts = [];
        $at = $this->clock->now();
        $next = $this->next($at);
        for ($i = 0; $i < self::MOST && !$fit->state->isClosed($step->id); ++$i) {
            $act = $next->for($fit, $step);
            $acts[] = $act->toArray();
            if (Turn::Clock === $act->turn || '' !== $act->step) {
                break;
            }
            $events = $this->played($fit, $step, $act, $at, $i);
            if ([] === $events && $act->until <= 0.0) {
                break;
            }
            foreach ($events as $event) {
                $fit = $fit->then($event);
                $seconds = EventType::StageBegun === $event->type ? $this->seconds($step, $event->string('stage')) : 0;
                if ($seconds > 0 && $act->until <= 0.0) {
                    $acts[] = Act::timer($fit->routine($step)?->stage()->done ?? '', 0.0, $seconds)->toArray();
                }
            }
        }

        return self::keyed($acts);
    }

    /** @return list<FitEvent> what an act comes to where all goes as it should */
    public function played(Fit $fit, Step $step, Act $act, \DateTimeImmutable $at, int $turn): array
    {
        $marks = '' === $act->ask ? $act->marks : [$this->read($fit, $step, $act->ask)];
        if ($act->until > 0.0) {
            $run = $fit->routine($step);
            $ask = $this->ask($step, $run?->stage()->ask ?? '');
            $marks = null !== $ask ? [$this->read($fit, $step, $ask->field)] : [[
                'type' => 'stage-begun', 'step' => $step->id, 'stage' => $run?->next()->id ?? '',
            ]];
        }
        $events = [];
        foreach ($marks as $n => $mark) {
            $type = EventType::from((string) $mark['type']);
            $then = EventType::StageBegun === $type ? $at->modify(sprintf(
                '-%d seconds', 5 + $this->seconds($step, (string) $mark['stage']),
            )) : $at;
            $events[] = FitEvent::of(
                sprintf('7ZZZZZZZZZ%08d%08d', $turn, $n), $type, array_diff_key($mark, ['type' => '']), '', $then,
                new Receipt($then),
            );
        }

        return $events;
    }

    /** @return array<string, string|float> */
    private function read(Fit $fit, Step $step, string $field): array
    {
        $ask = array_values(array_filter($fit->readings()->asks($step), static fn (Ask $ask): bool => $ask->field === $field))[0] ?? null;
        $value = $ask?->limits->usual() ?? 1.0;

        return [
            'type' => EventType::Measured->value, 'step' => $step->id, 'field' => $field, 'text' => 'read', 'value' => $value,
            'unit' => $ask?->kind->baseUnit()->value ?? '',
        ];
    }

    private function ask(Step $step, string $field): ?Ask
    {
        return array_values(array_filter($step->asking->asks, static fn (Ask $ask): bool => $ask->field === $field))[0] ?? null;
    }

    /** How long a stage of the step's routine stands; 0 where it does not. */
    public function seconds(Step $step, string $stage): int
    {
        $routine = FillRoutine::named($step->asking->routine);
        $place = $routine?->place($stage);

        return null === $place ? 0 : $routine->stages[$place]->seconds ?? 0;
    }

    /**
     * @param list<array<string, mixed>> $acts
     *
     * @return list<array<string, mixed>>
     */
    private static function keyed(array $acts): array
    {
        $key = '';
        $keyed = [];
        foreach (array_reverse($acts) as $act) {
            $key = hash('xxh32', $key.json_encode($act, \JSON_THROW_ON_ERROR));
            array_unshift($keyed, ['key' => $key] + $act);
        }

        return $keyed;
    }
}
