<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/**
 * A belt, its tensioner and an idler judged by what is seen and gauged. All limits are working values; what the maker of a part
 * says goes before them. Lengths in mm.
 */
final readonly class DriveWear
{
    public const BELT = 'belt';
    public const TENSIONER = 'tensioner';
    public const IDLER = 'idler';
    /** Cracks across the ribs in 100 mm: from so many on, soon and now. */
    private const CRACKS = [3.0, 10.0];
    /** Share of the rib's depth that is gone by the gauge. */
    private const WORN = [0.15, 0.3];
    /** Swing of the arm at idle. */
    private const SWING = [3.0, 6.0];
    /** Play of the arm across, at the idler. */
    private const PLAY = [0.5, 1.5];
    /** A spun idler stops by itself: one that runs on has lost its grease, one that stops at once is rough. Turns. */
    private const SPUN = [0.5, 6.0];

    /** @param list<WearSign> $found the gravest of each part first */
    private function __construct(public array $found)
    {
    }

    /** @param list<WearSign> $found */
    public static function of(array $found, bool $isNearSeal): self
    {
        $isFailing = [] !== array_filter($found, static fn (WearSign $one): bool => self::BELT === $one->part && Wear::Now === $one->wear);
        if ($isFailing && $isNearSeal) {
            $found[] = new WearSign(
                self::BELT, Wear::Now, 'It fails beside a crank seal: what it sheds winds itself in behind the pulley and cuts it.', true,
            );
        }

        return new self($found);
    }

    public function when(string $part): Wear
    {
        return array_reduce(
            array_filter($this->found, static fn (WearSign $one): bool => $one->part === $part),
            static fn (Wear $worst, WearSign $one): Wear => $worst->worse($one->wear), Wear::Sound,
        );
    }

    /** @return list<string> parts that were looked at */
    public function parts(): array
    {
        return array_values(array_unique(array_map(static fn (WearSign $one): string => $one->part, $this->found)));
    }

    public static function cracks(float $count): WearSign
    {
        return new WearSign(self::BELT, self::grade($count, self::CRACKS), sprintf('%d cracks in 100 mm.', (int) round($count)));
    }

    /** Depth of a rib, gauged on a new belt and on this one. */
    public static function ribs(float $new, float $now): WearSign
    {
        $gone = max(0.0, 1 - $now / $new);

        return new WearSign(
            self::BELT, self::grade($gone, self::WORN), sprintf('%d %% of the ribs’ depth is gone.', (int) round(100 * $gone)),
        );
    }

    public static function swing(float $mm): WearSign
    {
        return new WearSign(self::TENSIONER, self::grade($mm, self::SWING), sprintf('The arm swings %s mm at idle.', round($mm, 1)));
    }

    public static function play(float $mm): WearSign
    {
        return new WearSign(self::TENSIONER, self::grade($mm, self::PLAY), sprintf('The arm has %s mm of play.', round($mm, 2)));
    }

    public static function spin(float $turns): WearSign
    {
        [$rough, $dry] = self::SPUN;

        return match (true) {
            $turns < $rough => new WearSign(self::IDLER, Wear::Now, 'Spun by hand it stops at once.'),
            $turns > $dry => new WearSign(self::IDLER, Wear::Soon, 'Spun by hand it runs on and on: its grease is gone.'),
            default => new WearSign(self::IDLER, Wear::Sound, 'Spun by hand it comes to rest by itself.'),
        };
    }

    /** @param array{float, float} $limits */
    private static function grade(float $value, array $limits): Wear
    {
        return $value >= $limits[1] ? Wear::Now : ($value >= $limits[0] ? Wear::Soon : Wear::Sound);
    }
}
