<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sheet;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sum\Level;

/** The compiled plan of a fit. Format nimble-knuckle/sheet@1. */
final readonly class Sheet
{
    public const FORMAT = 'nimble-knuckle/sheet@1';

    /** @var array<string, int> */
    private array $places;

    /** @var array<string, list<Step>> */
    private array $byDeed;

    /**
     * @param list<Step> $steps
     * @param list<Finding> $findings
     * @param list<string> $expects kinds of follow-up the procedures call for
     */
    public function __construct(
        public string $title,
        public array $steps,
        public array $findings,
        public Lists $lists,
        public Timing $timing,
        public int $moves,
        public array $expects,
    ) {
        $this->places = array_flip(array_map(static fn (Step $step): string => $step->id, $steps));
        $byDeed = [];
        foreach ($steps as $step) {
            $byDeed[$step->deed->value][] = $step;
        }
        $this->byDeed = $byDeed;
    }

    public static function read(Node $node): self
    {
        self::FORMAT === $node->string('format') || throw $node->refuse('format', sprintf('this is not %s.', self::FORMAT));

        return new self(
            $node->string('title'), $node->each('steps', Step::read(...)), $node->each('findings', Finding::read(...)),
            new Lists(
                $node->each('tools', Pick::read(...)), $node->each('consumables', Pick::read(...)), $node->each('parts', Pick::read(...)),
            ),
            Timing::read($node->node('timing')), $node->int('moves', 0), $node->strings('expects'),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'format' => self::FORMAT,
            'title' => $this->title,
            'steps' => array_map(static fn (Step $step): array => $step->toArray(), $this->steps),
            'findings' => array_map(static fn (Finding $finding): array => $finding->toArray(), $this->findings),
            'tools' => array_map(static fn (Pick $pick): array => $pick->toArray(), $this->lists->tools),
            'consumables' => array_map(static fn (Pick $pick): array => $pick->toArray(), $this->lists->consumables),
            'parts' => array_map(static fn (Pick $pick): array => $pick->toArray(), $this->lists->parts),
            'timing' => $this->timing->toArray(),
            'moves' => $this->moves,
            'expects' => $this->expects,
        ];
    }

    public function step(string $id): ?Step
    {
        return isset($this->places[$id]) ? $this->steps[$this->places[$id]] : null;
    }

    /** The place of a step in the order, from 0; -1 where there is no such step. */
    public function placeOf(string $id): int
    {
        return $this->places[$id] ?? -1;
    }

    /** @return list<Step> */
    public function inPhase(Phase $phase): array
    {
        return array_values(array_filter($this->steps, static fn (Step $step): bool => $step->slot->phase === $phase));
    }

    /** @return list<Step> */
    public function doing(StepKind $deed, string $item = '', string $joint = '', string $circuit = ''): array
    {
        return array_values(
            array_filter(
                $this->byDeed[$deed->value] ?? [],
                static fn (Step $step): bool => ('' === $item || $step->target->item === $item)
                    && ('' === $joint || $step->target->joint === $joint)
                    && ('' === $circuit || $step->target->circuit === $circuit),
            ),
        );
    }

    public function worst(): Level
    {
        return array_reduce(
            $this->findings, static fn (Level $worst, Finding $finding): Level => $worst->worse($finding->level), Level::Ok,
        );
    }

    /** @return array{steps: int, least: int, most: int, more: float} how many steps go by what they took here, and minutes that adds */
    public function learned(): array
    {
        $jobs = [];
        $more = 0.0;
        foreach ($this->steps as $step) {
            $minutes = $step->slot->minutes;
            if ($minutes->from > 0) {
                $jobs[] = $minutes->from;
                $more += $minutes->likely - $minutes->planned;
            }
        }

        return ['steps' => count($jobs), 'least' => min([\PHP_INT_MAX, ...$jobs]), 'most' => max([0, ...$jobs]), 'more' => $more];
    }
}
