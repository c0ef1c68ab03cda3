<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/**
 * A belt laid by one person: round the driver first, then on to either side; the smooth pulley that is reached best comes last, with
 * the arm of the tensioner held back; the arm is let back at the end. Off goes the same way backwards.
 */
final readonly class Routing
{
    /**
     * @param list<RouteStep> $steps
     * @param int $last the pulley it is slipped over at the end, and off at first
     */
    private function __construct(public Drive $drive, public array $steps, public int $last)
    {
    }

    public static function of(Drive $drive): self
    {
        $last = self::last($drive);
        $order = self::order($drive, $last);
        $steps = $laid = [];
        foreach ($order as $i => $at) {
            if ($at === $last) {
                null === $drive->tensioner || $steps[] = new RouteStep($drive->idler, self::relieved($drive->tensioner), $laid, true);
            }
            $laid[] = $at;
            $steps[] = new RouteStep(
                $at, self::said($drive, $at, 0 === $i, $at === $last), $laid, null !== $drive->tensioner && $at === $last,
            );
        }
        if (null !== $drive->tensioner) {
            $steps[] = new RouteStep(
                $drive->idler, 'Let the arm back by the bar, slowly, until it rests on the belt. Take the bar away.', $laid,
            );
        }

        return new self($drive, $steps, $last);
    }

    /**
     * The number of each pulley in the order of laying, by its place; from 1.
     *
     * @return list<int>
     */
    public function numbers(): array
    {
        $numbers = array_fill(0, count($this->drive->pulleys), 0);
        foreach (self::order($this->drive, $this->last) as $i => $at) {
            $numbers[$at] = $i + 1;
        }

        return array_values($numbers);
    }

    /**
     * What is felt for at the end, rib by rib.
     *
     * @return list<string> names
     */
    public function seats(): array
    {
        return array_values(array_map(
            static fn (Pulley $one): string => $one->name,
            array_filter($this->drive->pulleys, static fn (Pulley $one): bool => Side::Ribs === $one->side),
        ));
    }

    /** What is done to get it off, and to get it on. */
    public function inWords(bool $off): string
    {
        $name = $this->drive->pulleys[$this->last]->name;
        $arm = null === $this->drive->tensioner ? '' : self::relieved($this->drive->tensioner).' ';
        if ($off) {
            return sprintf('%sOff the %s first. Mark which way it runs if it goes on again.', $arm, $name);
        }
        $names = array_map(
            fn (int $at): string => $this->drive->pulleys[$at]->name, array_slice(self::order($this->drive, $this->last), 0, -1),
        );

        return sprintf('Round %s. %sOver the %s last, arm back slowly.', implode(', ', $names), $arm, $name);
    }

    private static function relieved(Tensioner $tensioner): string
    {
        return sprintf(
            'Turn the arm %s with the long bar and hold it.',
            $tensioner->turnsCounterClockwise() ? 'anticlockwise' : 'clockwise',
        );
    }

    private static function said(Drive $drive, int $at, bool $isFirst, bool $isLast): string
    {
        $pulley = $drive->pulleys[$at];
        $how = Side::Ribs === $pulley->side ? 'ribs in its grooves' : 'its back on the smooth face';

        return match (true) {
            $isFirst => sprintf('Lay it round the %s, %s.', $pulley->name, $how),
            $isLast => sprintf('Slip it over the %s, %s.', $pulley->name, $how),
            default => sprintf('On round the %s, %s.', $pulley->name, $how),
        };
    }

    /** A smooth pulley that is not on the arm, the highest; where there is none, the highest that neither drives nor sits on the arm. */
    private static function last(Drive $drive): int
    {
        $best = -1;
        $driver = Pulley::driver($drive->pulleys);
        foreach ([Side::Back, Side::Ribs] as $side) {
            foreach ($drive->pulleys as $i => $pulley) {
                $mayBe = $side === $pulley->side && $i !== $drive->idler && $i !== $driver;
                $best = $mayBe && (-1 === $best || $pulley->y > $drive->pulleys[$best]->y) ? $i : $best;
            }
            if (-1 !== $best) {
                return $best;
            }
        }

        return count($drive->pulleys) - 1;
    }

    /**
     * From the driver on in belt order as far as the last one, then from the driver back.
     *
     * @return non-empty-list<int>
     */
    private static function order(Drive $drive, int $last): array
    {
        $count = count($drive->pulleys);
        $first = Pulley::driver($drive->pulleys);
        $order = [$first];
        foreach ([1, -1] as $way) {
            for ($i = 1; $i < $count; ++$i) {
                $at = ($first + $way * $i + $count * $count) % $count;
                if ($at === $last) {
                    break;
                }
                in_array($at, $order, true) || $order[] = $at;
            }
        }

        return $first === $last ? $order : [...$order, $last];
    }
}
