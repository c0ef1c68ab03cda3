<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Starting;

/**
 * A recording of a starter that cranks: the lowest and the settled voltage, what feed and earth lose, how fast the engine turns by its
 * humps, and whether one of them is flat by the others. s, V, compressions a second. Limits of the legs are those of the voltage drop.
 */
final readonly class CrankRun
{
    public const LEAST = 30;
    /** s it has to be cranked, after the first rush. */
    private const LASTS = 1.0;
    private const RUSH = 0.6;
    /** V it falls by when it is switched on. */
    private const FALLS = 0.5;
    /** Of the others' height, under which a hump is flat. */
    private const FLAT = 0.7;
    /** With more than six they run into each other. */
    private const FLAT_MANY = 0.6;
    /** Cylinders, under which no hump is compared with others. */
    private const FEWEST = 3;

    /** V while it cranks, once it is settled: at the posts, at the stud against the case, of the earth. */
    public float $settled;
    public float $stud;
    public float $earth;

    /**
     * @param float $rest V
     * @param float $lowest V
     * @param ?float $rate compressions a second; null where no humps can be told
     * @param float $flat how much of the others the flattest hump has
     * @param ?VoltDrop $drop null where it was too short
     */
    private function __construct(
        public CrankFinding $finding, public float $rest, public float $lowest, public ?float $rate, public float $flat,
        public ?VoltDrop $drop,
    ) {
        $this->settled = $drop->crank ?? 0.0;
        $this->earth = $drop->ground ?? 0.0;
        $this->stud = null === $drop ? 0.0 : $drop->crank - $drop->feed() - $drop->ground;
    }

    /** V between posts and stud. */
    public function feed(): float
    {
        return $this->drop?->feed() ?? 0.0;
    }

    /** Turns of the crank a minute; null where no humps can be told. */
    public function rpm(int $cylinders): ?float
    {
        return null === $this->rate ? null : 120 * $this->rate / $cylinders;
    }

    /** @param non-empty-list<array{float, float, float, float}> $samples s, V at the posts, V at stud against case, V of the earth */
    public static function of(array $samples, int $cylinders, float $celsius, string $battery): self
    {
        $rest = self::rest($samples);
        $lowest = min(array_column($samples, 1));
        $on = null;
        foreach ($samples as [$time, $posts]) {
            $on ??= $posts < $rest - self::FALLS ? $time : null;
        }
        $steady = null === $on ? [] : self::cranked($samples, $on + self::RUSH, $rest);
        $lasts = [] === $steady ? 0.0 : $steady[count($steady) - 1][0] - $steady[0][0];
        if (count($steady) < self::LEAST || $lasts < self::LASTS) {
            return new self(CrankFinding::TooShort, $rest, $lowest, null, 1.0, null);
        }
        $drop = VoltDrop::of(
            $rest, self::middle($steady, 1), self::middle($steady, 2), self::middle($steady, 3), $celsius, $battery,
        );
        $wave = CrankWave::of($steady);
        $rate = $cylinders < self::FEWEST ? null : $wave->rate($cylinders);
        $flat = null === $rate ? 1.0 : $wave->flattest($rate, $cylinders);
        // Of two legs over their limit the worse by its limit is named.
        $legs = [
            CrankFinding::Earth->value => $drop->ground / VoltDrop::GROUND, CrankFinding::Feed->value => $drop->feed() / VoltDrop::FEED,
        ];
        arsort($legs);
        $finding = match (true) {
            max($legs) > 1.0 + 1e-9 => CrankFinding::from((string) array_key_first($legs)),
            $drop->isTired() => CrankFinding::Battery,
            $flat < ($cylinders > 6 ? self::FLAT_MANY : self::FLAT) => CrankFinding::Cylinder,
            default => CrankFinding::Sound,
        };

        return new self($finding, $rest, $lowest, $rate, $flat, $drop);
    }

    /** @param non-empty-list<array{float, float, float, float}> $samples V before it is switched on: the highest that lasts */
    private static function rest(array $samples): float
    {
        $posts = array_column($samples, 1);
        rsort($posts);

        return $posts[min(count($posts) - 1, 4)] ?? 0.0;
    }

    /**
     * From then on, as long as it is cranked.
     *
     * @param list<array{float, float, float, float}> $samples
     *
     * @return list<array{float, float, float, float}>
     */
    private static function cranked(array $samples, float $from, float $rest): array
    {
        $steady = [];
        foreach ($samples as $one) {
            if ($one[0] < $from) {
                continue;
            }
            if ($one[1] > $rest - 0.6 * self::FALLS && $one[2] < 0.6 * $one[1]) {
                break;
            }
            $steady[] = $one;
        }

        return $steady;
    }

    /** @param non-empty-list<array{float, float, float, float}> $samples */
    private static function middle(array $samples, int $column): float
    {
        $values = array_column($samples, $column);
        sort($values);
        $n = count($values);

        return ($values[intdiv($n - 1, 2)] + $values[intdiv($n, 2)]) / 2;
    }
}
