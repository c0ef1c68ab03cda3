<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

/** What a device measures. */
enum DeviceKind: string
{
    case Wrench = 'wrench';
    case Thermometer = 'thermometer';
    case Press = 'press';
    case Gauge = 'gauge';
    case Pump = 'pump';
    case Logger = 'logger';
    case Recorder = 'recorder';

    public function label(): string
    {
        return match ($this) {
            self::Wrench => 'torque wrench, torque and angle',
            self::Thermometer => 'coolant temperature',
            self::Press => 'hub press, torque over its way',
            self::Gauge => 'pressure gauge, over time',
            self::Pump => 'hand pump with a rule, rod over pressure',
            self::Logger => 'boost logger, a run',
            self::Recorder => 'voltage recorder, three leads while it cranks',
        };
    }

    /** The kind of reading it sends. */
    public function reading(): string
    {
        return match ($this) {
            self::Wrench => 'torque-angle',
            self::Thermometer => 'temperature',
            self::Press => 'press',
            self::Gauge => 'pressure',
            self::Pump => 'actuator',
            self::Logger => 'boost',
            self::Recorder => 'cranking',
        };
    }
}
