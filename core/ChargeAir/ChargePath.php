<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;

/**
 * Air through a line of pipes: speed, Mach number and loss of each. Friction after Haaland, bends after Weisbach, widening after
 * Borda and Carnot; each change of size is counted to the section before it. kg/s, kPa, m/s.
 */
final readonly class ChargePath
{
    private const LAMINAR = 2300.0;
    private const MOST_BEND = 1.2;
    /** Mach, over which the losses run away. */
    public const FAST = 0.3;

    /**
     * @param list<array{velocity: float, mach: float, loss: float}> $parts
     * @param float $loss kPa altogether
     * @param float $volume L
     */
    private function __construct(public array $parts, public float $loss, public float $volume, public int $worst, public int $fastest)
    {
    }

    /**
     * @param non-empty-list<ChargeSection> $sections in the way of the air
     * @param float $flow kg/s
     * @param float $pressure absolute, kPa
     * @param float $celsius where a section has none of its own
     */
    public static function of(array $sections, float $flow, float $pressure, float $celsius): self
    {
        $parts = [];
        $volume = 0.0;
        foreach ($sections as $i => $section) {
            $kelvin = ($section->temperature ?? $celsius) + Gas::ZERO;
            $density = Gas::density(1000 * $pressure, $kelvin);
            $speed = $flow / ($density * self::area($section->d));
            $loss = self::friction($section, $speed, $density, $kelvin) + self::bends($section);
            $loss = $loss * $density * $speed ** 2 / 2 + self::step($section, $sections[$i + 1] ?? null, $flow, $density);
            $parts[] = ['velocity' => $speed, 'mach' => $speed / Gas::sound($kelvin), 'loss' => $loss / 1000];
            $volume += $section->volume();
        }
        [$losses, $machs] = [array_column($parts, 'loss'), array_column($parts, 'mach')];

        return new self(
            $parts, array_sum($losses), $volume, (int) array_search(
                max($losses), $losses, true,
            ), (int) array_search(max($machs), $machs, true),
        );
    }

    /** kg/s an engine breathes. @param float $efficiency of its filling, of one */
    public static function breathed(float $litres, float $rpm, float $efficiency, float $pressure, float $celsius): float
    {
        return self::breathedFormula($litres, $rpm, $efficiency, $pressure, $celsius)->value / 1000;
    }

    /** g/s. @param float $efficiency of its filling, of one */
    public static function breathedFormula(float $litres, float $rpm, float $efficiency, float $pressure, float $celsius): Formula
    {
        return Formula::of('η ρ V n/120', [
            'η' => $efficiency, 'ρ' => Gas::density(1000 * $pressure, $celsius + Gas::ZERO), 'V' => $litres, 'n' => $rpm,
        ]);
    }

    /** s to bring a path from the air outside to a boost. @param float $boost kPa over it */
    public function fillTime(float $boost, float $flow, float $celsius): float
    {
        return $this->fillFormula($boost, $flow, $celsius)->value / 1000;
    }

    /** ms; the volume in L, the flow in kg/s. @param float $boost kPa over the air outside */
    public function fillFormula(float $boost, float $flow, float $celsius): Formula
    {
        return Formula::of('V Δp/(R T ṁ)', [
            'V' => $this->volume, 'Δp' => $boost, 'R' => Term::of(Gas::R / 1000), 'T' => $celsius + Gas::ZERO, 'ṁ' => $flow,
        ]);
    }

    /** m² of mm. */
    private static function area(float $d): float
    {
        return \M_PI * $d ** 2 / 4e6;
    }

    private static function friction(ChargeSection $section, float $speed, float $density, float $kelvin): float
    {
        $reynolds = $density * $speed * $section->d / 1000 / Gas::viscosity($kelvin);
        $factor = $reynolds < self::LAMINAR
            ? 64 / max(1.0, $reynolds)
            : (-1.8 * log10(($section->roughness / $section->d / 3.7) ** 1.11 + 6.9 / $reynolds)) ** -2;

        return $factor * $section->length / $section->d;
    }

    private static function bends(ChargeSection $section): float
    {
        $sum = 0.0;
        foreach ($section->bends as [$angle, $radius]) {
            $sum += min(self::MOST_BEND, (0.131 + 0.1632 * ($section->d / $radius) ** 3.5) * sqrt($angle / 90));
        }

        return $sum;
    }

    /** Pa lost where the next one is wider or narrower. */
    private static function step(ChargeSection $section, ?ChargeSection $next, float $flow, float $density): float
    {
        if (null === $next) {
            return 0.0;
        }
        [$here, $there] = [self::area($section->d), self::area($next->d)];
        $factor = $there > $here ? (1 - $here / $there) ** 2 : 0.5 * (1 - $there / $here);

        return $factor * $density * ($flow / ($density * min($here, $there))) ** 2 / 2;
    }
}
