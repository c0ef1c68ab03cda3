<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** A pulley of a drive, seen from the front: x to the right, y up, in mm. */
final readonly class Pulley
{
    /**
     * @param float $d mm: the effective diameter of a ribbed pulley, the outside of a flat one
     * @param bool $drives whether it drives the belt, as the crank does
     */
    public function __construct(
        public string $name, public float $x, public float $y, public float $d, public Side $side = Side::Ribs,
        public bool $drives = false,
    ) {
    }

    public function at(float $x, float $y): self
    {
        return new self($this->name, $x, $y, $this->d, $this->side, $this->drives);
    }

    public function sized(float $d): self
    {
        return new self($this->name, $this->x, $this->y, $d, $this->side, $this->drives);
    }

    /**
     * Which of them drives: the one that says so, else the first ribbed one.
     *
     * @param list<self> $pulleys
     */
    public static function driver(array $pulleys): int
    {
        $ribbed = null;
        foreach ($pulleys as $i => $pulley) {
            if ($pulley->drives) {
                return $i;
            }
            $ribbed ??= Side::Ribs === $pulley->side ? $i : null;
        }

        return $ribbed ?? 0;
    }

    /** It takes no power off the belt: what it is called says so. */
    public function isIdler(): bool
    {
        return Side::Back === $this->side || 1 === preg_match('~idler|tensioner|roller|guide~i', $this->name);
    }

    /** From its centre to the belt’s pitch line, in mm. */
    public function pitchRadius(BeltSection $section): float
    {
        return $this->d / 2 + (Side::Ribs === $this->side ? $section->be : $section->tb);
    }
}
