<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening;

use NimbleKnuckle\Core\Quantity\Angle;

/** A head seen from above with its angle: the arc to turn, cut into the pulls; radius 100, zero at the top, clockwise. */
final readonly class AngleDrawing
{
    /** @param list<array{from: float, to: float, path: string, x: float, y: float}> $pulls degrees, the arc, and where its number stands */
    private function __construct(public float $angle, public array $pulls, public float $endX, public float $endY, public int $turns)
    {
    }

    /** @param ?Angle $swing there is room for; null for one pull */
    public static function of(Angle $whole, ?Angle $swing = null): self
    {
        $angle = $whole->degrees;
        $step = $swing->degrees ?? $angle;
        $pulls = [];
        $count = null === $swing ? 1 : Pulls::of($whole, $swing)->count;
        for ($i = 0; $i < min(24, $count); ++$i) {
            $from = $i * $step;
            $to = min($angle, $from + $step);
            [$x, $y] = self::at(($from + $to) / 2, 76.0 - 14.0 * intdiv((int) (($from + $to) / 2), 360));
            $pulls[] = ['from' => $from, 'to' => $to, 'path' => self::arc($from, $to), 'x' => $x, 'y' => $y];
        }
        [$endX, $endY] = self::at($angle, 100.0);

        return new self($angle, $pulls, $endX, $endY, intdiv((int) $angle, 360));
    }

    /** @return array{float, float} */
    public static function at(float $degrees, float $radius): array
    {
        return [round($radius * sin(deg2rad($degrees)), 3), round(-$radius * cos(deg2rad($degrees)), 3)];
    }

    private static function arc(float $from, float $to): string
    {
        $radius = 100.0 - 14.0 * intdiv((int) $from, 360);
        [$x1, $y1] = self::at($from, $radius);
        $path = sprintf('M%.2F %.2F', $x1, $y1);
        for ($middle = min($to, $from + 120.0);; $middle = min($to, $middle + 120.0)) {
            [$x, $y] = self::at($middle, $radius);
            $path .= sprintf(' A%.2F %.2F 0 0 1 %.2F %.2F', $radius, $radius, $x, $y);
            if ($middle >= $to) {
                return $path;
            }
        }
    }
}
