<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Length;

/**
 * Which threads of the tables a diameter and a pitch as measured may be, the likeliest first. A bolt measures up to 0.3 mm
 * under its name (tolerance 6g, ISO 965-1); tables ISO 261, ASME B1.1, ISO 228-1.
 */
final readonly class ThreadMatch
{
    /** A worn or plated bolt under its nominal diameter, mm. */
    private const UNDER = 0.35;
    private const OVER = 0.08;
    private const PITCH_TOLERANCE = 0.06;
    private const NEIGHBOUR_DIAMETER = 0.7;
    private const NEIGHBOUR_PITCH = 0.17;
    private const NEIGHBOURS = 4;

    /**
     * @param Formula $distance of the likeliest
     * @param ?Thread $rival fits nearly as well
     * @param list<Thread> $neighbours could be mistaken for it, the nearest first
     */
    private function __construct(public Thread $thread, public Formula $distance, public ?Thread $rival, public array $neighbours)
    {
    }

    /** Null where no thread of the tables comes near. */
    public static function of(Length $diameter, Length $pitch): ?self
    {
        $fits = [];
        foreach (Thread::all() as $thread) {
            if (self::fits($thread, $diameter->millimetres, $pitch->millimetres)) {
                $fits[] = [self::distance($thread, $diameter->millimetres, $pitch->millimetres), $thread];
            }
        }
        usort($fits, static fn (array $a, array $b): int => $a[0]->value <=> $b[0]->value);
        if ([] === $fits) {
            return null;
        }
        [$distance, $best] = $fits[0];
        $second = $fits[1] ?? null;
        $isNear = null !== $second && $second[0]->value < 2 * $distance->value + 0.05 && $second[1]->name !== $best->name;

        return new self($best, $distance, $isNear ? $second[1] : null, self::neighbours($best, $diameter->millimetres));
    }

    private static function fits(Thread $thread, float $diameter, float $pitch): bool
    {
        $under = $thread->diameter - $diameter;

        return $under < self::UNDER + 0.004 * $thread->diameter
            && $under > -self::OVER
            && abs($thread->pitch - $pitch) <= self::PITCH_TOLERANCE;
    }

    private static function distance(Thread $thread, float $diameter, float $pitch): Formula
    {
        return Formula::of('e = √(((d − D − 0.1)/0.25)² + ((p − P)/0.03)²)', [
            'd' => $thread->diameter, 'D' => $diameter, 'p' => $thread->pitch, 'P' => $pitch,
        ]);
    }

    /** @return list<Thread> */
    private static function neighbours(Thread $best, float $diameter): array
    {
        $near = array_filter(Thread::all(), static function (Thread $t) use ($best): bool {
            $isOtherKind = abs($t->diameter - $best->diameter) < 0.02 && $t->isMetric() !== $best->isMetric();

            return $t->name !== $best->name && abs($t->diameter - $best->diameter) <= self::NEIGHBOUR_DIAMETER
                && (abs($t->pitch - $best->pitch) <= self::NEIGHBOUR_PITCH || $isOtherKind);
        });
        usort($near, static fn (Thread $a, Thread $b): int => abs($a->diameter - $diameter) <=> abs($b->diameter - $diameter));

        return array_slice($near, 0, self::NEIGHBOURS);
    }
}
