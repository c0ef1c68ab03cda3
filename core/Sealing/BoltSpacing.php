<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sealing;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Length;

/**
 * How far apart the bolts of a flange may sit before it bows between them. Rigid: ASME VIII division 1, appendix 2. Pressed
 * steel: 60 mm, a working value. A ring in a groove seals by itself and is exempt.
 */
final readonly class BoltSpacing
{
    /** The gasket factor m by what seals it. */
    public const FACTORS = ['rubber' => 0.5, 'fibre' => 2.0, 'metal' => 3.0];
    /** mm. */
    public const PRESSED = 60.0;

    /**
     * @param list<Length> $pitches from each bolt to the next round
     * @param ?Formula $formula mm that they may be apart; null where that is a working value
     */
    private function __construct(public array $pitches, public Length $most, public ?Formula $formula = null)
    {
    }

    /**
     * @param list<Length> $pitches
     * @param Length $bolt its nominal diameter
     * @param float $factor the gasket's m
     */
    public static function rigid(array $pitches, Length $bolt, Length $thickness, float $factor): self
    {
        $most = Formula::of('2 d + 6 t / (m + 0.5)', ['d' => $bolt->millimetres, 't' => $thickness->millimetres, 'm' => $factor]);

        return new self($pitches, Length::millimetres($most->value), $most);
    }

    /** @param list<Length> $pitches */
    public static function pressed(array $pitches): self
    {
        return new self($pitches, Length::millimetres(self::PRESSED));
    }

    /**
     * @param non-empty-list<array{float, float}> $points mm, in order round the flange
     *
     * @return list<Length> from each to the next, the last back to the first where there are more than two
     */
    public static function round(array $points): array
    {
        $last = count($points) - 1;
        // From one of two bolts to the other and back is the same stretch.
        $pitches = 1 === $last ? [] : [self::between($points[$last], $points[0])];
        for ($i = $last; $i > 0; --$i) {
            array_unshift($pitches, self::between($points[$i - 1], $points[$i]));
        }

        return $pitches;
    }

    /**
     * @param array{float, float} $from
     * @param array{float, float} $to
     */
    private static function between(array $from, array $to): Length
    {
        return Length::millimetres(hypot($to[0] - $from[0], $to[1] - $from[1]));
    }

    /** Where it will weep first: the place of the widest pitch, from 0. */
    public function widest(): int
    {
        $wide = 0;
        foreach ($this->pitches as $i => $pitch) {
            $wide = $pitch->millimetres > $this->pitches[$wide]->millimetres ? $i : $wide;
        }

        return $wide;
    }

    public function isWide(Length $pitch): bool
    {
        return $pitch->millimetres > $this->most->millimetres;
    }
}
