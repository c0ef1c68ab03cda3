<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Bind;

use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * Jobs laid over each other: like operations become one that holds all that each of them says, and every job keeps its own
 * order. Where two orders contradict each other over something shared, it is done once for each, unless that cannot be: what
 * is off or drained cannot be taken off again.
 */
final class JobMerge
{
    /** What can be so only once, whichever phase a job puts it in. */
    private const STATES = [
        StepKind::Cold, StepKind::BatteryOff, StepKind::BatteryOn, StepKind::Hold, StepKind::Release, StepKind::Remove, StepKind::Refit,
        StepKind::Tighten,
        StepKind::Drain, StepKind::Fill, StepKind::Bleed,
    ];
    /** Of those, what undoes: done at the earliest of the phases it is wanted in, the others at the latest. */
    private const UNDO = [StepKind::Cold, StepKind::BatteryOff, StepKind::Hold, StepKind::Remove, StepKind::Drain];

    /** @var array<string, non-empty-list<BoundOperation>> what is done => the operations that want it, the first job's first */
    private array $wants = [];
    /** @var array<string, list<string>> job => what it does, in its own order */
    private array $lines = [];
    /** @var array<string, int> what is done => where among those of other jobs in its phase */
    private array $ranks = [];

    /** @var array<string, string> operation => what it does here */
    private array $known = [];

    /** @param list<string> $standing ids on the sheet so far */
    public function __construct(private readonly VehicleSheet $vehicle, private readonly array $standing = [])
    {
    }

    /**
     * @param list<BoundOperation> $line in the job's own order
     * @param list<int> $ranks as many
     */
    public function add(string $job, array $line, array $ranks): void
    {
        $keys = [];
        foreach ($line as $i => $bound) {
            $key = $this->known[$bound->operation->id] ?? '';
            '' === $key || in_array($key, $keys, true) || $keys[$i] = $key;
        }
        foreach ($line as $i => $bound) {
            $key = $keys[$i] ??= $this->later(self::same($bound).' 0', $keys);
            $this->known[$bound->operation->id] ??= $key;
            $this->lines[$job][] = $key;
            $this->wants[$key][] = $bound;
            $this->ranks[$key] ??= $ranks[$i];
        }
    }

    private static function same(BoundOperation $bound): string
    {
        $isState = in_array($bound->operation->deed, self::STATES, true);

        return $bound->sameAs().($isState ? '' : ' in '.$bound->operation->slot->phase->value);
    }

    public function resolved(): Resolved
    {
        $order = $this->order();
        $ids = $this->ids($order);
        $bound = $kept = [];
        foreach ($order as $key) {
            $bound[] = $this->merged($key, $ids[$key]);
            foreach ($this->wants[$key] as $one) {
                $kept[$one->operation->id] = $ids[$key];
            }
        }
        $chains = array_map(
            static fn (array $line): array => array_map(static fn (string $key): string => $ids[$key], $line), $this->lines,
        );

        return new Resolved($bound, $kept, $chains);
    }

    private function merged(string $key, string $id): BoundOperation
    {
        [$item, $joint, $circuit] = ['', '', ''];
        $operation = null;
        foreach ($this->wants[$key] as $one) {
            $operation = $operation?->and($one->operation) ?? $one->operation;
            [$item, $joint, $circuit] = [$item ?: $one->item, $joint ?: $one->joint, $circuit ?: $one->circuit];
        }

        return new BoundOperation($operation->named($id, $this->phase($key)), $item, $joint, $circuit, $this->wants[$key][0]->procedure);
    }

    private function phase(string $key): Phase
    {
        $phases = array_map(static fn (BoundOperation $one): Phase => $one->operation->slot->phase, $this->wants[$key]);
        usort($phases, static fn (Phase $a, Phase $b): int => $a->number() <=> $b->number());

        return in_array($this->wants[$key][0]->operation->deed, self::UNDO, true) ? $phases[0] : $phases[count($phases) - 1];
    }

    /**
     * The id of what several jobs share comes from deed and target, whatever the order of the jobs; but what stands on the sheet
     * already keeps its own, for marks were made by it.
     *
     * @param list<string> $order
     *
     * @return array<string, string>
     */
    private function ids(array $order): array
    {
        $ids = $taken = [];
        foreach ($order as $key) {
            $names = array_unique(array_map(static fn (BoundOperation $one): string => $one->operation->id, $this->wants[$key]));
            $shared = self::named($key, $this->wants[$key][0]);
            $known = array_values(array_intersect([$shared, ...$names], $this->standing));
            $id = $known[0] ?? (1 === count($names) ? $names[0] : $shared);
            while (isset($taken[$id])) {
                $id .= '-again';
            }
            $taken[$id] = true;
            $ids[$key] = $id;
        }

        return $ids;
    }

    private static function named(string $key, BoundOperation $bound): string
    {
        $nth = (int) substr($key, (int) strrpos($key, ' ') + 1);
        $name = preg_replace(['/^(title|sum) /', '/[^a-z0-9]+/'], ['', '-'], $bound->sameAs()) ?? '';

        return trim(mb_substr($name, 0, 60), '-').(1 === $nth ? '' : '-'.$nth);
    }

    /** @return list<string> phase by phase, each job in its own order */
    private function order(): array
    {
        do {
            [$order, $stuck] = $this->sorted();
        } while ([] !== $stuck && $this->part($stuck));

        return [...$order, ...$stuck];
    }

    /** @return array{list<string>, list<string>} what could be put in order, and what waits for itself */
    private function sorted(): array
    {
        $at = [];
        foreach (array_keys($this->wants) as $i => $key) {
            $at[$key] = [$this->phase((string) $key)->number(), $this->ranks[$key], $i];
        }
        [$waits, $frees] = $this->edges($at);
        $order = [];
        $left = $at;
        while ([] !== $left) {
            $free = array_filter($left, static fn (string $key): bool => 0 === ($waits[$key] ?? 0), \ARRAY_FILTER_USE_KEY);
            if ([] === $free) {
                break;
            }
            asort($free);
            $next = (string) array_key_first($free);
            unset($left[$next]);
            $order[] = $next;
            foreach ($frees[$next] ?? [] as $key) {
                --$waits[$key];
            }
        }
        asort($left);

        return [$order, array_map(strval(...), array_keys($left))];
    }

    /**
     * @param array<string, array{int, int, int}> $at
     *
     * @return array{array<string, int>, array<string, list<string>>} how many each waits for, and which it sets free
     */
    private function edges(array $at): array
    {
        $waits = $frees = [];
        foreach ($this->lines as $line) {
            for ($i = 1, $count = count($line); $i < $count; ++$i) {
                // What is done in another phase than the job meant it keeps the order of the phases.
                if ($at[$line[$i - 1]][0] <= $at[$line[$i]][0]) {
                    $frees[$line[$i - 1]][] = $line[$i];
                    $waits[$line[$i]] = ($waits[$line[$i]] ?? 0) + 1;
                }
            }
        }

        foreach ($this->behind($at) as [$first, $then]) {
            $frees[$first][] = $then;
            $waits[$then] = ($waits[$then] ?? 0) + 1;
        }

        return [$waits, $frees];
    }

    /**
     * What lies behind something goes back before it, in whichever job.
     *
     * @param array<string, array{int, int, int}> $at
     *
     * @return list<array{string, string}>
     */
    private function behind(array $at): array
    {
        $back = $pairs = [];
        foreach ($this->wants as $key => $wants) {
            if (StepKind::Refit === $wants[0]->operation->deed && '' !== $wants[0]->item) {
                $back[$wants[0]->item] = (string) $key;
            }
        }
        foreach ($back as $item => $key) {
            foreach ($this->vehicle->hiddenBy((string) $item) as $hidden) {
                $first = $back[$hidden] ?? $key;
                $first === $key || $at[$first][0] !== $at[$key][0] || $pairs[] = [$first, $key];
            }
        }

        return $pairs;
    }

    /**
     * Lets the last job that shares something it cannot share in order do it a time later: with the next like it, or alone.
     *
     * @param list<string> $stuck
     */
    private function part(array $stuck): bool
    {
        foreach (array_reverse(array_keys($this->lines)) as $job) {
            foreach ($this->lines[$job] as $i => $key) {
                $wants = $this->wants[$key];
                $mine = array_values(array_filter($wants, static fn (BoundOperation $one): bool => $one->procedure === $job));
                $rest = array_values(array_filter($wants, static fn (BoundOperation $one): bool => $one->procedure !== $job));
                $mayPart = in_array($key, $stuck, true) && !in_array($wants[0]->operation->deed, self::STATES, true);
                if ($mayPart && [] !== $rest && $wants[0]->procedure !== $job && [] !== $mine) {
                    $later = $this->later($key, $this->lines[$job]);
                    $this->ranks[$later] ??= $this->ranks[$key];
                    $this->lines[$job][$i] = $later;
                    $this->wants[$key] = $rest;
                    $this->wants[$later] = [...$this->wants[$later] ?? [], ...$mine];

                    return true;
                }
            }
        }

        return false;
    }

    /** @param array<int, string> $line what the job does already */
    private function later(string $key, array $line): string
    {
        [$same, $nth] = [substr($key, 0, (int) strrpos($key, ' ')), (int) substr($key, (int) strrpos($key, ' ') + 1)];
        do {
            $later = $same.' '.++$nth;
        } while (in_array($later, $line, true));

        return $later;
    }
}
