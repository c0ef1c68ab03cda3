<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

/**
 * What thread and face are like when they turn, as a sheet writes it. Friction of bolts: working values after VDI 2230's classes; of a
 * hub on its shaft: a working value within DIN 7190's range for steel, pressed lengthwise.
 */
enum ThreadCondition: string
{
    case Oiled = 'oiled';
    case AsSupplied = 'as supplied';
    case Dry = 'dry zinc';
    case AntiSeize = 'anti-seize';
    case LockerWet = 'threadlocker wet';
    case WaxedAluminium = 'waxed aluminium';
    case StainlessDry = 'stainless dry';

    /** What people say goes on a thread; a longer name stands before one it begins or ends with. */
    public const PUT_ON = [
        'medium threadlocker' => self::LockerWet, 'high-strength threadlocker' => self::LockerWet,
        'high strength threadlocker' => self::LockerWet, 'threadlocker' => self::LockerWet, 'anti-seize' => self::AntiSeize,
        'thread sealant' => self::Oiled, 'sealant' => self::Oiled, 'oiled' => self::Oiled, 'oil' => self::Oiled,
        'as supplied' => self::AsSupplied, 'dry' => self::Dry,
    ];

    private const OTHER_NAMES = [
        'zinc' => self::Dry, 'antiseize' => self::AntiSeize, 'anti seize' => self::AntiSeize, 'threadlock' => self::LockerWet,
        'locker' => self::LockerWet, 'waxed aluminum' => self::WaxedAluminium, 'waxed' => self::WaxedAluminium,
        'stainless' => self::StainlessDry,
    ];

    /** By any name it goes by; null for what is none. */
    public static function named(string $name): ?self
    {
        $clean = trim(str_replace('_', ' ', mb_strtolower($name)));

        return self::tryFrom($clean) ?? self::PUT_ON[$clean] ?? self::OTHER_NAMES[$clean] ?? null;
    }

    /** @return array{float, float, float} friction of thread and head, low, typical and high; no unit */
    public function friction(): array
    {
        return match ($this) {
            self::Oiled => [0.10, 0.12, 0.16],
            self::AsSupplied => [0.08, 0.12, 0.16],
            self::Dry => [0.14, 0.18, 0.24],
            self::AntiSeize => [0.08, 0.10, 0.12],
            self::LockerWet => [0.10, 0.14, 0.16],
            self::WaxedAluminium => [0.10, 0.12, 0.14],
            self::StainlessDry => [0.20, 0.25, 0.35],
        };
    }

    /** Friction of a hub that is pressed on its shaft, no unit; null for what nobody puts there. */
    public function pressed(): ?float
    {
        return match ($this) {
            self::Oiled => 0.12,
            self::Dry => 0.16,
            default => null,
        };
    }

    /** What a figure is meant for where only this is said; null where nobody can tell. */
    public function compound(): ?Compound
    {
        return match ($this) {
            self::Oiled => Compound::Oil,
            self::Dry => Compound::Dry,
            self::AntiSeize => Compound::AntiSeize,
            self::LockerWet => Compound::MediumLocker,
            default => null,
        };
    }
}
