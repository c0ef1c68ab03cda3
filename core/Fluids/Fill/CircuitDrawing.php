<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Fill;

/**
 * A coolant circuit from the side, heights to scale: radiator, engine with its thermostat, heater, expansion tank, bleed
 * screw; how far the coolant stands in each, and where air stays because it lies above the filling. Heights in mm over the
 * floor, places in a frame of 640 by 380.
 */
final readonly class CircuitDrawing
{
    public const WIDTH = 640.0;
    public const HEIGHT = 380.0;
    /** Heights of the tops where the vehicle sheet gives none. */
    public const USUAL = ['radiator' => 690.0, 'engine' => 740.0, 'heater' => 800.0, 'tank' => 870.0, 'bleed' => 820.0];
    private const TALL = ['radiator' => 370.0, 'engine' => 330.0, 'heater' => 190.0, 'tank' => 180.0];
    private const PLACES = ['radiator' => [36.0, 62.0], 'engine' => [262.0, 150.0], 'heater' => [540.0, 64.0], 'tank' => [150.0, 72.0]];
    /** The coolant stands this far under the top of the tank when it is right. */
    private const UNDER_TOP = 80.0;

    /**
     * @param array<string, array{x: float, w: float, y: float, h: float, fluid: float, air: bool}> $vessels fluid: how high it is full
     * @param list<string> $air where air stays, in words
     * @param array<string, float> $at named heights in the frame
     */
    private function __construct(
        public array $vessels, public array $air, public array $at, public float $level, public bool $measured,
        public FillStage $stage,
    ) {
    }

    /** @param array<string, float> $heights mm over the floor, as far as they were measured */
    public static function of(array $heights, FillStage $stage): self
    {
        $tops = $heights + self::USUAL;
        $low = min($tops['radiator'] - self::TALL['radiator'], $tops['engine'] - self::TALL['engine']);
        $high = max($tops);
        $y = static fn (float $mm): float => 352.0 - ($mm - $low) * 306.0 / max(1.0, $high - $low);
        $full = $stage->does('funnel') ? $tops['tank'] + 10.0 : $tops['tank'] - self::UNDER_TOP;
        $start = $low + 0.28 * ($full - $low);
        $level = $stage->does('vacuum') && 0.0 === $stage->look->fill ? $start : $start + $stage->look->fill * ($full - $start);
        $vessels = [];
        foreach (self::PLACES as $name => [$x, $w]) {
            $bottom = $tops[$name] - self::TALL[$name];
            $caught = 'tank' !== $name && !$stage->does('vacuum') && !$stage->does('screw')
                && $stage->look->fill > 0.5 && $tops[$name] > $full;
            $filled = max(0.0, min($level, $tops[$name]) - $bottom);
            $vessels[$name] = [
                'x' => $x, 'w' => $w, 'y' => $y($tops[$name]), 'h' => $y($bottom) - $y($tops[$name]),
                'fluid' => $y($bottom) - $y($bottom + $filled), 'air' => $caught,
            ];
        }

        return new self(
            $vessels, self::airAbove($tops, $full),
            ['bleed' => $y($tops['bleed']), 'level' => $y($level), 'thermostat' => $y($tops['engine'] - 55.0)], $y($level),
            [] !== $heights, $stage,
        );
    }

    /**
     * @param array<string, float> $tops
     *
     * @return list<string>
     */
    private static function airAbove(array $tops, float $full): array
    {
        $names = ['heater' => 'the heater', 'bleed' => 'the bleed screw', 'engine' => 'the head', 'radiator' => 'the radiator top'];
        $high = array_intersect_key($tops, $names);
        arsort($high);

        return array_values(
            array_map(
                static fn (string $name): string => $names[$name],
                array_keys(array_filter($high, static fn (float $top): bool => $top > $full)),
            ),
        );
    }
}
