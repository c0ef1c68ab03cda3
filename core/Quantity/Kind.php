<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** What is measured. Each kind has one base unit in which all arithmetic is done. */
enum Kind: string
{
    case Torque = 'torque';
    case Length = 'length';
    case Angle = 'angle';
    case Pressure = 'pressure';
    case Volume = 'volume';
    case Temperature = 'temperature';
    case Percent = 'percent';
    case Force = 'force';
    case Stress = 'stress';
    case Distance = 'distance';
    case Altitude = 'altitude';
    case Duration = 'duration';
    case Mass = 'mass';
    case Stiffness = 'stiffness';
    case Speed = 'speed';
    case Velocity = 'velocity';
    case Power = 'power';
    case Frequency = 'frequency';
    case MassFlow = 'mass flow';
    case Voltage = 'voltage';
    case Current = 'current';
    case Number = 'number';

    /** In the base unit of any kind: what is smaller and not zero is a slip of the power of ten. */
    public const ABSURD_BELOW = 1e-7;

    /** “a torque”, “an angle”. */
    public function withArticle(): string
    {
        return (str_contains('aeiou', $this->value[0]) ? 'an ' : 'a ').$this->value;
    }

    public function baseUnit(): Unit
    {
        return match ($this) {
            self::Torque => Unit::NewtonMetre,
            self::Length => Unit::Millimetre,
            self::Angle => Unit::Degree,
            self::Pressure => Unit::Kilopascal,
            self::Volume => Unit::Litre,
            self::Temperature => Unit::Celsius,
            self::Percent => Unit::Percent,
            self::Force => Unit::Newton,
            self::Stress => Unit::Megapascal,
            self::Distance => Unit::Kilometre,
            self::Altitude => Unit::Metre,
            self::Duration => Unit::Minute,
            self::Mass => Unit::Kilogram,
            self::Stiffness => Unit::NewtonPerMillimetre,
            self::Speed => Unit::PerMinute,
            self::Velocity => Unit::MetrePerSecond,
            self::Power => Unit::Kilowatt,
            self::Frequency => Unit::Hertz,
            self::MassFlow => Unit::GramPerSecond,
            self::Voltage => Unit::Volt,
            self::Current => Unit::Ampere,
            self::Number => Unit::One,
        };
    }

    /** The largest size that makes sense in an engine bay, in the base unit; past it the text is taken for a slip. */
    public function absurdAbove(): float
    {
        return match ($this) {
            self::Torque => 5_000.0,
            self::Length => 20_000.0,
            self::Angle => 3_600.0,
            self::Pressure => 10_000.0,
            self::Volume => 1_000.0,
            self::Temperature => 1_500.0,
            self::Percent => 1_000.0,
            self::Force, self::Stress => 1.0e7,
            self::Distance => 5.0e6,
            self::Altitude => 9_000.0,
            self::Duration, self::Mass, self::Stiffness, self::Speed, self::Frequency, self::MassFlow, self::Voltage => 100_000.0,
            self::Current => 5_000.0,
            self::Power => 2_000.0,
            self::Velocity => 1_000.0,
            self::Number => 1.0e9,
        };
    }

    /**
     * What people put below the line for this kind; another number there stands beside the first, as in 18/22.
     *
     * @return list<int>
     */
    public function denominators(): array
    {
        return match ($this) {
            self::Length => [2, 4, 8, 16, 32, 64],
            self::Angle => [2, 3, 4, 5, 6, 8, 10, 12],
            self::Number => [2, 3, 4, 5, 6, 8, 10, 16],
            default => [2, 3, 4, 8],
        };
    }

    public function mayBeNegative(): bool
    {
        return self::Temperature === $this || self::Altitude === $this;
    }

    /** @return list<Unit> */
    public function units(): array
    {
        return array_values(array_filter(Unit::cases(), fn (Unit $unit): bool => $unit->kind() === $this));
    }

    /** The unit names a person may write, for error sentences. */
    public function acceptedUnits(): string
    {
        return implode(', ', array_map(static fn (Unit $unit): string => $unit->symbol(), $this->units()));
    }
}
