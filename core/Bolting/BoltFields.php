<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** The fields several doors ask a bolt by, and the bolt they name. */
final readonly class BoltFields
{
    public static function thread(): Field
    {
        return Field::text('thread', 'Thread', 'M8', 'M8, M10x1.25, 5/16-18, #10-32, G1/4');
    }

    public static function grade(): Field
    {
        return Field::choice('grade', 'Bolt grade', Grade::choices(), 'Unknown: 8.8 is assumed.')->optional();
    }

    public static function friction(): Field
    {
        return Field::text(
            'friction', 'Thread and head', 'oiled', implode(', ', array_keys(Friction::choices())).', or a number',
        )->optional();
    }

    public static function head(): Field
    {
        return Field::choice('head', 'Head', BearingFace::HEADS)->optional();
    }

    /** @throws InvalidInput */
    public static function read(Inputs $in): Bolt
    {
        return Bolt::named(
            $in->text('thread'), $in->has('grade') ? $in->text('grade') : '', $in->has('friction') ? $in->text('friction') : '',
            $in->has('head') ? $in->text('head') : 'hexagon',
        );
    }

    /** @return list<Check> what was not given and is assumed, said once each */
    public static function assumed(Inputs $in): array
    {
        return [...self::gradeAssumed($in), ...($in->has('friction') ? [] : [
            Check::ok('friction-assumed', 'No thread condition given: lightly oiled is assumed.'),
        ])];
    }

    /** @return list<Check> */
    public static function gradeAssumed(Inputs $in): array
    {
        return $in->has('grade') ? [] : [Check::ok('grade-assumed', 'No grade given: 8.8 is assumed.')];
    }
}
