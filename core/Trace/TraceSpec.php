<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace;

use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** What the pull was for: a torque in N·m, or a snug torque and an angle in degrees; tolerance in percent; what it was at before. */
final readonly class TraceSpec
{
    private const TOLERANCE = 5.0;

    private function __construct(public float $torque, public float $angle, public float $tolerance, public float $from)
    {
    }

    public static function torque(float $torque, float $from = 0.0, float $tolerance = self::TOLERANCE): self
    {
        return new self($torque, 0.0, $tolerance, $from);
    }

    public static function angle(float $snug, float $angle, float $from = 0.0): self
    {
        return new self($snug, $angle, self::TOLERANCE, $from);
    }

    /**
     * {"torque": 25}, {"snug": "40 N·m", "angle": 75}, 25, “25 N·m”, “40 N·m + 75°”.
     *
     * @throws InvalidInput
     */
    public static function read(mixed $raw): self
    {
        if (is_string($raw) && 1 === preg_match('~\A\s*\{~', $raw)) {
            $raw = json_decode($raw, true, 4);
        }
        if (is_string($raw) && str_contains($raw, '+')) {
            [$snug, $angle] = explode('+', $raw, 2);
            $raw = ['snug' => trim($snug), 'angle' => trim($angle)];
        }
        if (!is_array($raw)) {
            $raw = ['torque' => $raw];
        }
        $tolerance = self::number($raw['tolerance'] ?? self::TOLERANCE, Kind::Percent);
        $from = isset($raw['from']) ? self::number($raw['from'], Kind::Torque) : 0.0;
        if (isset($raw['angle'])) {
            return new self(
                self::needed($raw['snug'] ?? $raw['torque'] ?? null, Kind::Torque, 'snug'),
                self::needed($raw['angle'], Kind::Angle, 'angle'), $tolerance, $from,
            );
        }

        return new self(self::needed($raw['torque'] ?? $raw['target'] ?? null, Kind::Torque, 'torque'), 0.0, $tolerance, $from);
    }

    public function isByAngle(): bool
    {
        return $this->angle > 0.0;
    }

    private static function needed(mixed $value, Kind $kind, string $name): float
    {
        $number = self::number($value, $kind);

        return $number > 0.0 ? $number : throw InvalidInput::in('spec', sprintf('“%s” of the spec must be more than zero.', $name));
    }

    private static function number(mixed $value, Kind $kind): float
    {
        try {
            return is_string($value) || is_int($value) || is_float($value)
                ? Notation::read($kind, $value)->value()
                : throw InvalidInput::in('spec', 'Say what it was to reach: {"torque": 25}, or {"snug": 40, "angle": 75}.');
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in('spec', $e->getMessage());
        }
    }
}
