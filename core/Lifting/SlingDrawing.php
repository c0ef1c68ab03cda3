<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

/** Legs from one hook at their true angles, and the bar above with its feet, to scale; in a frame of 640 by 360. */
final readonly class SlingDrawing
{
    private const LONG = 190.0;

    /**
     * @param list<array{x: float, y: float, angle: float, steep: bool}> $legs where each ends
     * @param array{left: float, right: float, hook: float}|null $bar
     */
    private function __construct(public array $legs, public ?array $bar, public float $hookX, public float $hookY)
    {
    }

    /** @param list<Leg> $legs */
    public static function of(array $legs, ?Beam $beam): self
    {
        $bar = null === $beam ? null : ['left' => 60.0, 'right' => 580.0, 'hook' => 60.0 + 520.0 * $beam->at / $beam->span];
        [$hookX, $hookY] = [$bar['hook'] ?? 320.0, null === $bar ? 40.0 : 96.0];
        $drawn = [];
        foreach ($legs as $i => $leg) {
            $side = 1 === count($legs) ? 0.0 : (0 === $i % 2 ? -1.0 : 1.0);
            $inner = 1.0 - 0.25 * intdiv($i, 2);
            $drawn[] = [
                'x' => $hookX + $side * $inner * self::LONG * sin($leg->angle->radians()),
                'y' => $hookY + self::LONG * cos($leg->angle->radians()), 'angle' => $leg->angle->degrees,
                'steep' => $leg->angle->degrees > 60.0,
            ];
        }

        return new self($drawn, $bar, $hookX, $hookY);
    }
}
