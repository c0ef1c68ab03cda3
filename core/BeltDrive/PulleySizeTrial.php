<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;

/** A drive with another size of one pulley, and perhaps of its driver: the belt's way, and what it does to speed and boost. */
final readonly class PulleySizeTrial
{
    /**
     * @param ?PulleyChange $change null where nobody said how fast the crank may turn, or it is no driven pulley
     * @param ?BeltSlip $slip on the blower at the redline; null where power or slack tension are not known
     */
    private function __construct(
        public float $d, public DriveState $state, public int $at, public ?PulleyChange $change, public ?BeltSlip $slip,
    ) {
    }

    public static function of(Drive $drive, string $pulley, float $d, ?float $crank = null): self
    {
        $driver = $drive->driver();
        $with = $drive->sized($pulley, $d);
        $with = null === $crank || null === $driver ? $with : $with->sized($driver->name, $crank);
        $at = 0;
        foreach ($drive->pulleys as $i => $one) {
            $at = $one->name === $pulley ? $i : $at;
        }

        [$state, $change] = [DriveState::of($with), self::change($drive, $with, $driver)];

        return new self($d, $state, $at, $change, null === $change ? null : self::slip($state, $change));
    }

    /** Of the belt on the blower; the tension of the slack side is taken to stay. */
    private static function slip(DriveState $state, PulleyChange $change): ?BeltSlip
    {
        $blower = $state->drive->blower;
        if (null === $state->path || null === $blower || $blower->power <= 0.0 || $blower->slack <= 0.0) {
            return null;
        }
        foreach ($state->pulleys as $i => $pulley) {
            if ($pulley->name === $blower->pulley) {
                $faster = $change->speed->value / $change->speedBefore;

                return BeltSlip::of(
                    Angle::degrees($state->path->wraps[$i]), Force::newtons($blower->slack),
                    $blower->power * $blower->type->power($faster, $blower->pressureRatio), $change->speed->value,
                    Length::millimetres($pulley->d), side: $pulley->side,
                );
            }
        }

        return null;
    }

    /** Of the blower, whichever of the two is changed. */
    private static function change(Drive $drive, Drive $with, ?Pulley $driver): ?PulleyChange
    {
        $blower = $drive->blower;
        $old = null === $blower ? null : $drive->named($blower->pulley);
        $new = null === $blower ? null : $with->named($blower->pulley);
        $crank = null === $driver ? null : $with->named($driver->name);
        if (null === $blower || null === $old || null === $new || null === $driver || null === $crank || $blower->redline <= 0.0) {
            return null;
        }
        $mm = Length::millimetres(...);

        return PulleyChange::of(
            [$mm($driver->d), $mm($crank->d)], [$mm($old->d), $mm($new->d)], $blower->redline,
            $blower->pressureRatio > 0.0 ? $blower->pressureRatio : null, $blower->type,
        );
    }

    /** Degrees of belt round it; null where no belt runs. */
    public function wrap(): ?float
    {
        return $this->state->path?->wraps[$this->at] ?? null;
    }

    /**
     * Why it cannot be.
     *
     * @return list<string> “no-belt”, “outside-window”, “over-speed”, “wrap”, “slips”, “through”
     */
    public function stops(): array
    {
        $blower = $this->state->drive->blower;
        $path = $this->state->path;

        return array_keys(array_filter([
            'no-belt' => null === $path,
            'outside-window' => null !== $this->state->arm && !$this->state->arm->fits(),
            'over-speed' => null !== $this->change && null !== $blower
                && $blower->limit > 0.0 && $this->change->speed->value > $blower->limit,
            'wrap' => null !== $path && $path->hasLess($this->at, BeltPath::LEAST),
            'slips' => null !== $this->slip && $this->slip->margin->value < 1.0,
            'through' => null !== $path && ($path->gaps()[0]['gap'] ?? 1.0) <= 0.0,
        ]));
    }
}
