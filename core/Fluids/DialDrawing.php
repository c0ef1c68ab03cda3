<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

/**
 * A vacuum gauge as a round dial, nought at the lower left and round by the top: where the hand stands, where to pull to,
 * and from where on it would boil. Places in a frame of 400 by 330 with the pivot at 200, 200; kPa of vacuum.
 */
final readonly class DialDrawing
{
    public const RADIUS = 165.0;
    private const FULL = 100.0;
    private const SWEEP = 270.0;

    /**
     * @param array{x: float, y: float} $hand
     * @param list<array{x1: float, y1: float, x2: float, y2: float, x: float, y: float, text: string}> $ticks
     * @param list<array{path: string, kind: string}> $arcs
     * @param ?array{x: float, y: float} $before where the hand stood when the hold began
     */
    private function __construct(
        public float $shown, public float $aim, public float $limit, public array $hand, public array $ticks, public array $arcs,
        public ?array $before,
    ) {
    }

    /**
     * @param float $pulled what the hand shows now, kPa of vacuum
     * @param ?float $before what it showed when a hold began
     */
    public static function of(float $pulled, float $aim, float $limit, ?float $before = null): self
    {
        $ticks = [];
        for ($v = 0; $v <= 100; $v += 10) {
            [$outer, $inner, $text] = [
                self::place($v, self::RADIUS - 8), self::place($v, self::RADIUS - 26), self::place($v, self::RADIUS - 48),
            ];
            $ticks[] = [
                'x1' => $outer['x'], 'y1' => $outer['y'], 'x2' => $inner['x'], 'y2' => $inner['y'], 'x' => $text['x'],
                'y' => $text['y'], 'text' => (string) $v,
            ];
        }

        return new self($pulled, $aim, $limit, self::place($pulled, self::RADIUS - 34), $ticks, [
            ['path' => self::arc(0.92 * $aim, min($limit, self::FULL)), 'kind' => 'arc-good'],
            ['path' => self::arc(min($limit, self::FULL), self::FULL), 'kind' => 'arc-bad'],
        ], null === $before ? null : self::place($before, self::RADIUS - 34));
    }

    /** @return array{x: float, y: float} */
    private static function place(float $value, float $radius): array
    {
        $angle = deg2rad(135.0 + self::SWEEP * max(0.0, min(self::FULL, $value)) / self::FULL);

        return ['x' => round(200 + $radius * cos($angle), 1), 'y' => round(200 + $radius * sin($angle), 1)];
    }

    private static function arc(float $from, float $to): string
    {
        $radius = self::RADIUS - 4;
        [$a, $b] = [self::place($from, $radius), self::place(max($from, $to), $radius)];

        return sprintf(
            'M%.1F %.1F A%.0F %.0F 0 %d 1 %.1F %.1F', $a['x'], $a['y'], $radius, $radius,
            self::SWEEP * (max($from, $to) - $from) / self::FULL > 180.0 ? 1 : 0, $b['x'], $b['y'],
        );
    }
}
