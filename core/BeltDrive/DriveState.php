<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** A drive as it stands: the belt's way with the arm where the belt puts it, or the pulley that lets no belt run. */
final readonly class DriveState
{
    /**
     * @param list<Pulley> $pulleys with the idler of the arm where it stands
     * @param ?float $wanted mm: the length that puts the arm mid-window; where there is no arm, the belt that fits
     */
    private function __construct(
        public Drive $drive, public array $pulleys, public ?BeltPath $path, public ?BeltFit $fit, public ?ArmPlace $arm,
        public ?float $wanted, public int $fault, public string $why,
    ) {
    }

    public static function of(Drive $drive): self
    {
        try {
            return null === $drive->tensioner ? self::fixed($drive) : self::sprung($drive, $drive->tensioner);
        } catch (NoBeltPath $e) {
            return new self($drive, $drive->pulleys, null, null, null, null, $e->at, $e->getMessage());
        }
    }

    private static function fixed(Drive $drive): self
    {
        $path = BeltPath::of($drive->pulleys, $drive->section);

        return new self($drive, $drive->pulleys, $path, null, null, $path->length, -1, '');
    }

    private static function sprung(Drive $drive, Tensioner $tensioner): self
    {
        $fit = BeltFit::of($drive->pulleys, $drive->idler, $tensioner, $drive->section);
        $length = $drive->length();
        $place = null === $length ? null : $fit->place($length);
        $path = $fit->at($place->angle ?? ($tensioner->near + $tensioner->far) / 2);

        return new self($drive, $path->pulleys, $path, $fit, $place, $fit->middle(), -1, '');
    }

    /** From the front, or from behind: then all that turns turns the other way. */
    public function drawing(bool $behind = false): BeltDrawing
    {
        $tensioner = $behind ? $this->drive->tensioner?->mirrored() : $this->drive->tensioner;
        $pulleys = $behind ? array_map(static fn (Pulley $one): Pulley => $one->at(-$one->x, $one->y), $this->pulleys) : $this->pulleys;
        $path = null === $this->path || !$behind ? $this->path : BeltPath::of($pulleys, $this->drive->section);
        $angle = $this->angle();

        return BeltDrawing::of(
            $pulleys, $path, $tensioner, null === $angle || !$behind ? $angle : 180 - $angle, $this->drive->idler, !$behind, $this->fault,
        );
    }

    /** Where the arm stands: where its belt puts it, else in the middle of its window. Degrees; null without an arm. */
    public function angle(): ?float
    {
        $tensioner = $this->drive->tensioner;

        return null === $tensioner ? null : $this->arm->angle ?? ($tensioner->near + $tensioner->far) / 2;
    }

    /** How far the belt that is on it is off what could be taken up, in mm; 0 where it fits or nobody said which it is. */
    public function misfit(): float
    {
        $length = $this->drive->length();
        if (null === $length || null === $this->path || ($this->arm?->fits() ?? false)) {
            return 0.0;
        }
        $tensioner = $this->drive->tensioner;
        if (null === $tensioner || null === $this->fit || null === $this->arm) {
            return $length - $this->path->length;
        }
        try {
            $isLong = in_array($this->arm->take, [TensionerFit::TooLong, TensionerFit::LongOfWindow], true);

            return $length - $this->fit->at($isLong ? $tensioner->near : $tensioner->far)->length;
        } catch (NoBeltPath) {
            return $length - ($this->wanted ?? $length);
        }
    }

    /**
     * Where a measured belt and the drawing disagree: which entry would have to be off by how much, the least first. mm of belt
     * over mm of the entry; what moves the belt hardly at all is not blamed.
     *
     * @return list<array{pulley: string, what: string, off: float}>
     */
    public function doubts(float $difference): array
    {
        $doubts = [];
        foreach ($this->path?->sensitivity() ?? [] as $i => $by) {
            if ($i === $this->drive->idler) {
                continue;
            }
            foreach ($by as $what => $answers) {
                if (abs($answers) > 0.2) {
                    $doubts[] = ['pulley' => $this->pulleys[$i]->name, 'what' => $what, 'off' => $difference / $answers];
                }
            }
        }
        usort($doubts, static fn (array $a, array $b): int => abs($a['off']) <=> abs($b['off']));

        return $doubts;
    }
}
