<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** A drive with its tensioner: the angle of the arm for a belt of a given length, in mm and degrees. */
final readonly class BeltFit
{
    /** Degrees from look to look. */
    private const STEP = 4.0;
    private const ROUNDS = 40;
    /** Of degrees and of mm. */
    private const NEAR = 1e-9;

    /**
     * @param list<Pulley> $pulleys
     * @param non-empty-list<array{float, float}> $table angle => length, from the rest on, as far as a belt can run
     */
    private function __construct(
        private array $pulleys, private int $idler, private Tensioner $tensioner, private BeltSection $section, private array $table,
    ) {
    }

    /**
     * @param list<Pulley> $pulleys in belt order, the idler of the arm among them
     * @param int $idler its place
     *
     * @throws NoBeltPath where no belt can run at any angle of the arm
     */
    public static function of(array $pulleys, int $idler, Tensioner $tensioner, BeltSection $section): self
    {
        return new self($pulleys, $idler, $tensioner, $section, self::table($pulleys, $idler, $tensioner, $section));
    }

    /**
     * From the rest on, as long as the arm takes up more with each degree: past the angle where it takes up least, no belt holds it.
     *
     * @param list<Pulley> $pulleys
     *
     * @return non-empty-list<array{float, float}> angle => length
     *
     * @throws NoBeltPath
     */
    private static function table(array $pulleys, int $idler, Tensioner $tensioner, BeltSection $section): array
    {
        $table = [];
        $last = NoBeltPath::tooFew();
        $steps = max(2, (int) ceil(abs($tensioner->end() - $tensioner->free) / self::STEP));
        for ($i = 0; $i <= $steps; ++$i) {
            $angle = $tensioner->free + ($tensioner->end() - $tensioner->free) * $i / $steps;
            try {
                $length = self::path($pulleys, $idler, $tensioner, $section, $angle)->length;
            } catch (NoBeltPath $e) {
                $last = $e;
                continue;
            }
            $b = $table[count($table) - 1][1] ?? $length;
            $a = $table[count($table) - 2][1] ?? $b;
            if (($b - $a) * ($length - $b) < 0.0) {
                break;
            }
            $table[] = [$angle, $length];
        }

        return [] === $table ? throw $last : $table;
    }

    /**
     * The belt with the arm at an angle.
     *
     * @throws NoBeltPath
     */
    public function at(float $angle): BeltPath
    {
        return self::path($this->pulleys, $this->idler, $this->tensioner, $this->section, $angle);
    }

    /** Where a belt of so many mm puts the arm. */
    public function place(float $length): ArmPlace
    {
        for ($i = 1, $count = count($this->table); $i < $count; ++$i) {
            [[$from, $a], [$to, $b]] = [$this->table[$i - 1], $this->table[$i]];
            if (($a - $length) * ($b - $length) <= 0.0) {
                return $this->placed($length, $this->met($length, $from, $to, $a - $length, $b - $length));
            }
        }
        $at = [$this->table[0], $this->table[0]];
        foreach ($this->table as $one) {
            $at = [$one[1] < $at[0][1] ? $one : $at[0], $one[1] > $at[1][1] ? $one : $at[1]];
        }
        $isLong = $length > $at[1][1];
        $angle = $at[$isLong ? 1 : 0][0];

        return new ArmPlace($length, $angle, $this->tensioner->travel($angle), $isLong ? TensionerFit::TooLong : TensionerFit::TooShort);
    }

    /** The length that puts the arm in the middle of its window; null where no belt can run there. */
    public function middle(): ?float
    {
        try {
            return $this->at(($this->tensioner->near + $this->tensioner->far) / 2)->length;
        } catch (NoBeltPath) {
            return null;
        }
    }

    /**
     * The one that comes nearest to the middle of the window.
     *
     * @param non-empty-list<float> $lengths mm
     *
     * @return int its place in the list
     */
    public function best(array $lengths): int
    {
        $best = 0;
        $least = \INF;
        foreach ($lengths as $i => $length) {
            $place = $this->place($length);
            $off = abs($place->travel - 50) + (in_array($place->take, [TensionerFit::TooLong, TensionerFit::TooShort], true) ? 1.0e6 : 0.0);
            [$best, $least] = $off < $least ? [$i, $off] : [$best, $least];
        }

        return $best;
    }

    private function placed(float $length, float $angle): ArmPlace
    {
        $travel = $this->tensioner->travel($angle);

        return new ArmPlace($length, $angle, $travel, match (true) {
            $travel < 0.0 => TensionerFit::LongOfWindow,
            $travel > 100.0 => TensionerFit::ShortOfWindow,
            default => TensionerFit::InWindow,
        });
    }

    /** False position that halves the end that stays (Illinois): the angle between two looks at which the length is met. */
    private function met(float $length, float $from, float $to, float $a, float $b): float
    {
        $side = 0;
        for ($n = 0; $n < self::ROUNDS && abs($to - $from) > self::NEAR; ++$n) {
            $angle = abs($b - $a) < 1e-12 ? ($from + $to) / 2 : ($from * $b - $to * $a) / ($b - $a);
            $off = $this->at($angle)->length - $length;
            if (abs($off) < self::NEAR) {
                return $angle;
            }
            if ($off * $b > 0.0) {
                [$to, $b, $a, $side] = [$angle, $off, -1 === $side ? $a / 2 : $a, -1];
            } else {
                [$from, $a, $b, $side] = [$angle, $off, 1 === $side ? $b / 2 : $b, 1];
            }
        }

        return ($from + $to) / 2;
    }

    /**
     * @param list<Pulley> $pulleys
     *
     * @throws NoBeltPath
     */
    private static function path(array $pulleys, int $idler, Tensioner $tensioner, BeltSection $section, float $angle): BeltPath
    {
        $pulleys[$idler] = $tensioner->on($pulleys[$idler], $angle);

        return BeltPath::of(array_values($pulleys), $section);
    }
}
