<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** A drive with its tensioner: the angle of the arm for a belt of a given length, in mm and degrees. */
final readonly class BeltFit
{
    /** Degrees from look to look before halving. */
    private const STEP = 1.0;
    private const HALVINGS = 24;

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
        $table = [];
        $last = null;
        $end = $tensioner->end();
        $steps = max(2, (int) ceil(abs($end - $tensioner->free) / self::STEP));
        for ($i = 0; $i <= $steps; ++$i) {
            $angle = $tensioner->free + ($end - $tensioner->free) * $i / $steps;
            try {
                $table[] = [$angle, self::path($pulleys, $idler, $tensioner, $section, $angle)->length];
            } catch (NoBeltPath $e) {
                $last = $e;
            }
        }[] !== $table || throw $last ?? NoBeltPath::tooFew();

        return new self($pulleys, $idler, $tensioner, $section, $table);
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
                return $this->placed($length, $this->halved($length, $from, $to, $a > $b));
            }
        }
        $at = [$this->table[0], $this->table[0]];
        foreach ($this->table as $one) {
            $at = [$one[1] < $at[0][1] ? $one : $at[0], $one[1] > $at[1][1] ? $one : $at[1]];
        }
        $isLong = $length > $at[1][1];
        $angle = $at[$isLong ? 1 : 0][0];

        return new ArmPlace($length, $angle, $this->tensioner->travel($angle), $isLong ? Take::TooLong : Take::TooShort);
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
            $off = abs($place->travel - 50) + (in_array($place->take, [Take::TooLong, Take::TooShort], true) ? 1.0e6 : 0.0);
            [$best, $least] = $off < $least ? [$i, $off] : [$best, $least];
        }

        return $best;
    }

    private function placed(float $length, float $angle): ArmPlace
    {
        $travel = $this->tensioner->travel($angle);

        return new ArmPlace($length, $angle, $travel, match (true) {
            $travel < 0.0 => Take::LongOfWindow,
            $travel > 100.0 => Take::ShortOfWindow,
            default => Take::InWindow,
        });
    }

    private function halved(float $length, float $from, float $to, bool $falls): float
    {
        for ($n = 0; $n < self::HALVINGS; ++$n) {
            $middle = ($from + $to) / 2;
            $isBefore = ($this->at($middle)->length > $length) === $falls;
            $isBefore ? $from = $middle : $to = $middle;
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
