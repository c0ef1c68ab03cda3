<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

/** A charge path as one line from left to right: lengths and diameters to one scale each, speed and loss under every pipe. */
final readonly class PathDrawing
{
    public const WIDTH = 640.0;
    private const HIGH = 120.0;
    private const LEAST = 54.0;
    private const MIDDLE = 90.0;

    /**
     * @param list<array{name: string, x: float, width: float, y: float, height: float, d: float, velocity: float, loss: float,
     *     isWorst: bool, isFast: bool, bends: int}> $pipes
     */
    private function __construct(public array $pipes, public float $middle, public string $said)
    {
    }

    /** @param non-empty-list<ChargeSection> $sections */
    public static function of(array $sections, ChargePath $path): self
    {
        $total = array_sum(array_map(static fn (ChargeSection $one): float => max(1.0, $one->length), $sections));
        $widest = max(array_map(static fn (ChargeSection $one): float => $one->d, $sections));
        $room = max(0.0, self::WIDTH - self::LEAST * count($sections));
        $x = 0.0;
        $pipes = [];
        foreach ($sections as $i => $section) {
            $width = min(self::LEAST, self::WIDTH / count($sections)) + $room * max(1.0, $section->length) / $total;
            $height = self::HIGH * $section->d / $widest;
            $part = $path->parts[$i];
            $pipes[] = [
                'name' => $section->name, 'x' => $x, 'width' => $width, 'y' => self::MIDDLE - $height / 2, 'height' => $height,
                'd' => $section->d, 'velocity' => $part['velocity'], 'loss' => $part['loss'], 'isWorst' => $i === $path->worst,
                'isFast' => $part['mach'] > ChargePath::FAST, 'bends' => count($section->bends),
            ];
            $x += $width;
        }

        return new self($pipes, self::MIDDLE, implode('; ', array_map(static fn (array $one): string => sprintf(
            '%s: %.1f mm, %.0f m/s, %.2f kPa lost', $one['name'], $one['d'], $one['velocity'], $one['loss'],
        ), $pipes)));
    }
}
