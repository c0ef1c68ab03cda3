<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

/** What a device measures. */
enum DeviceKind: string
{
    case Wrench = 'wrench';
    case Thermometer = 'thermometer';
    case Press = 'press';

    public function label(): string
    {
        return match ($this) {
            self::Wrench => 'torque wrench, torque and angle',
            self::Thermometer => 'coolant temperature',
            self::Press => 'hub press, torque over its way',
        };
    }

    /** The kind of reading it sends. */
    public function reading(): string
    {
        return match ($this) {
            self::Wrench => 'torque-angle',
            self::Thermometer => 'temperature',
            self::Press => 'press',
        };
    }
}
