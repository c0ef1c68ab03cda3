<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace;

use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\Springs;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;

/**
 * What a trace can be held against: the slope this bolt should show (N·m a degree), how far it should run down (degrees),
 * the torque at which it yields (N·m). Zero where it is not known.
 */
final readonly class JointData
{
    /** @param bool $isGuessed the slope comes of an assumed grip: what is soft cannot be told by it */
    private function __construct(public float $slope, public float $runDown, public float $yieldTorque, public bool $isGuessed = false)
    {
    }

    public static function unknown(): self
    {
        return new self(0.0, 0.0, 0.0);
    }

    public static function of(Bolt $bolt, Springs $springs, float $runDown, bool $isGuessed = false): self
    {
        return new self($bolt->typicalTorque($springs->perDegree()), $runDown, $bolt->typicalTorque($bolt->typicalAt(1.0)), $isGuessed);
    }

    /**
     * From “joint” of the inputs: {"thread", "grade", "shank", "threaded", "member", "friction", "turns"}, or {"slope", "turns"}.
     *
     * @throws InvalidInput
     */
    public static function read(mixed $raw): self
    {
        if (is_string($raw)) {
            $raw = json_decode($raw, true, 8);
        }
        is_array($raw) || throw InvalidInput::in(
            'joint', 'Give the joint as an object: thread, grade, shank, threaded, member, friction, turns; or slope and turns.',
        );
        $number = static function (string $name) use ($raw): float {
            $value = $raw[$name] ?? 0.0;

            return is_numeric($value) && $value >= 0 && $value < 1e6 ? (float) $value : throw InvalidInput::in(
                'joint', sprintf('“%s” of the joint must be a number.', $name),
            );
        };
        $runDown = isset($raw['run_down']) ? $number('run_down') : 360 * $number('turns');
        if (!isset($raw['thread']) || (!isset($raw['shank']) && !isset($raw['threaded']))) {
            isset($raw['thread']) && Thread::parse(is_string($raw['thread']) ? $raw['thread'] : '', 'joint');

            return new self($number('slope'), $runDown, 0.0);
        }
        $fields = [Bolt::threadField(), Bolt::gradeField(), Bolt::headField(), Bolt::frictionField(), ...Springs::fields()];
        $in = Inputs::of(
            [
                'shank' => $raw['shank'] ?? 0, 'threaded' => $raw['threaded'] ?? 0,
            ] + array_diff_key($raw, ['turns' => 1, 'slope' => 1, 'run_down' => 1]),
            $fields,
        );
        $bolt = Bolt::read($in);

        return self::of($bolt, Springs::read($in, $bolt), $runDown);
    }

    public function knowsSlope(): bool
    {
        return $this->slope > 0.0;
    }

    public function knowsRunDown(): bool
    {
        return $this->runDown > 0.0;
    }
}
