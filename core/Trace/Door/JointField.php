<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace\Door;

use NimbleKnuckle\Core\Bolting\BoltFields;
use NimbleKnuckle\Core\Bolting\SpringFields;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Trace\JointData;

/** “joint” of the inputs: {"thread", "grade", "shank", "threaded", "member", "friction", "turns"}, or {"slope", "turns"}. */
final readonly class JointField
{
    private const ABSURD = 1e6;

    /** @throws InvalidInput */
    public static function read(mixed $raw): JointData
    {
        if (is_string($raw)) {
            $raw = json_decode($raw, true, 8);
        }
        is_array($raw) || throw InvalidInput::in(
            'joint', 'Give the joint as an object: thread, grade, shank, threaded, member, friction, turns; or slope and turns.',
        );
        $runDown = isset($raw['run_down']) ? self::number($raw, 'run_down') : 360 * self::number($raw, 'turns');
        if (isset($raw['thread']) && (isset($raw['shank']) || isset($raw['threaded']))) {
            return self::bySprings(array_diff_key($raw, ['turns' => 1, 'slope' => 1, 'run_down' => 1]), $runDown);
        }
        if (isset($raw['thread'])) {
            Thread::parse(is_string($raw['thread']) ? $raw['thread'] : '', 'joint');
        }

        return JointData::bySlope(self::number($raw, 'slope'), $runDown);
    }

    /** @param array<array-key, mixed> $raw */
    private static function bySprings(array $raw, float $runDown): JointData
    {
        $in = Inputs::of(
            ['shank' => $raw['shank'] ?? 0, 'threaded' => $raw['threaded'] ?? 0] + $raw,
            [BoltFields::thread(), BoltFields::grade(), BoltFields::head(), BoltFields::friction(), ...SpringFields::all()],
        );
        $bolt = BoltFields::read($in);

        return JointData::of($bolt, SpringFields::read($in, $bolt), $runDown);
    }

    /** @param array<array-key, mixed> $raw */
    private static function number(array $raw, string $name): float
    {
        $value = $raw[$name] ?? 0.0;

        return is_numeric($value) && $value >= 0 && $value < self::ABSURD ? (float) $value : throw InvalidInput::in(
            'joint', sprintf('“%s” of the joint must be a number.', $name),
        );
    }
}
