<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\CoreException;

/** No belt can run like this: which pulley is at fault, and why. */
final class NoBeltPath extends \DomainException implements CoreException
{
    /** @param string $pulley its name */
    private function __construct(public readonly int $at, public readonly string $pulley, string $message)
    {
        parent::__construct($message);
    }

    public static function tooFew(): self
    {
        return new self(-1, '', 'A belt needs two pulleys at least, one of them ribbed.');
    }

    public static function overlapping(int $at, Pulley $one, Pulley $other): self
    {
        return new self($at, $one->name, sprintf(
            'The %s and the %s overlap: their centres are %s mm apart. Check the coordinates and diameters of both.', $one->name,
            $other->name, round(hypot($one->x - $other->x, $one->y - $other->y), 1),
        ));
    }

    public static function swallowed(int $at, Pulley $one, Pulley $other): self
    {
        return new self($at, $one->name, sprintf(
            'No straight piece of belt runs from the %s to the %s: they are too near each other.', $one->name, $other->name,
        ));
    }

    public static function untouched(int $at, Pulley $pulley): self
    {
        $other = Side::Ribs === $pulley->side ? 'back' : 'ribs';

        return new self($at, $pulley->name, sprintf(
            'The belt does not touch the %s there with its %s. Move it, change the order, or let it run on the %s.', $pulley->name,
            Side::Ribs === $pulley->side ? 'ribs' : 'back', $other,
        ));
    }
}
