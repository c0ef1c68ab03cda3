<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** The fields for what lies between head and thread, and the springs they make. */
final readonly class SpringFields
{
    /** @return list<Field> */
    public static function all(): array
    {
        return [
            Field::quantity('shank', 'Plain shank in the grip', Kind::Length, '30 mm', '0 for a bolt threaded to the head.'),
            Field::quantity('threaded', 'Thread in the grip', Kind::Length, '16 mm', 'From the shank to where the hole’s thread begins.'),
            Field::choice('member', 'Clamps', Member::choices())->optional(),
        ];
    }

    /** @throws InvalidInput */
    public static function read(Inputs $in, Bolt $bolt): Springs
    {
        $member = $in->has('member') ? Member::parse($in->text('member')) : Member::Steel;

        return Springs::of(
            $bolt->thread, $in->length('shank', 0.0, 1000.0), $in->length('threaded', 0.0, 1000.0), $member, $bolt->grade,
        );
    }
}
