<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\Luck;

/** A plucked belt as a recording would have it, for who has no microphone at hand: partials that die away, noise, a hum. */
final readonly class Pluck
{
    private const RATE = 8000;
    private const SECONDS = 1.6;
    private const AT = 0.6;
    private const PARTIALS = 6;

    /**
     * @param float $note Hz
     * @param float $ratio dB of the belt over the noise, while it sounds
     * @param float $hum Hz of the mains; 0 for none
     */
    public static function recording(float $note, float $ratio, float $hum, int $seed): Recording
    {
        $luck = new Luck($seed);
        $where = $luck->between(0.2, 0.45);
        $dies = $luck->between(0.12, 0.3);
        $noise = 0.3 * 10 ** (-$ratio / 20);
        $phase = $luck->between(0.0, 2 * \M_PI);
        $samples = [];
        for ($i = 0, $count = (int) (self::SECONDS * self::RATE); $i < $count; ++$i) {
            $t = $i / self::RATE - self::AT;
            $sound = 0.0;
            for ($k = 1; $t >= 0.0 && $k <= self::PARTIALS; ++$k) {
                $sound += sin($k * \M_PI * $where) / $k ** 1.5 * exp(-$t * (1 + 0.4 * ($k - 1)) / $dies)
                    * sin(2 * \M_PI * $k * $note * (1 + 0.0004 * $k * $k) * $t);
            }
            $sound += $hum > 0.0 ? 0.25 * sin(2 * \M_PI * $hum * $i / self::RATE + $phase) + 0.08 * sin(
                6 * \M_PI * $hum * $i / self::RATE,
            ) : 0.0;
            $samples[] = 0.6 * $sound + $noise * 0.6 * $luck->normal();
        }

        return new Recording($samples, self::RATE);
    }
}
