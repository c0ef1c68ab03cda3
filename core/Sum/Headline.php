<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Quantity\UnitSystem;

/**
 * What a sum says first and largest: a lead, one or two figures with their units, each given in its base unit, and what stands
 * beside them.
 */
final readonly class Headline
{
    /** @param list<array{number: string, unit: string}> $figures */
    public function __construct(public string $lead, public array $figures, public string $beside = '', public bool $isEstimate = false)
    {
    }

    /** On one line, for a pin or a note. */
    public function asLine(): string
    {
        $figures = implode(', ', array_map(static fn (array $f): string => trim($f['number'].' '.$f['unit']), $this->figures));

        return mb_substr(
            trim(implode(' ', array_filter([$this->lead, $figures])).('' === $this->beside ? '' : '; '.$this->beside)), 0, 300,
        );
    }

    /** @param float $torque N·m */
    public static function torque(string $lead, float $torque, UnitSystem $units, string $beside): self
    {
        return new self(
            $lead, [['number' => Digits::of(Kind::Torque, $torque), 'unit' => 'N·m']],
            self::joined($units->said($torque, Unit::NewtonMetre), $beside),
        );
    }

    public static function joined(string ...$parts): string
    {
        return implode(', ', array_filter($parts, static fn (string $part): bool => '' !== $part));
    }

    /** @return array{number: string, unit: string} */
    public static function figure(float $value, string $unit): array
    {
        return ['number' => Digits::significant($value), 'unit' => $unit];
    }

    /** @return array{number: string, unit: string} */
    public static function litres(float $value, string $unit): array
    {
        return ['number' => Digits::of(Kind::Volume, $value), 'unit' => $unit];
    }

    /** @return array{number: string, unit: string} */
    public static function celsius(float $value): array
    {
        return ['number' => self::degrees($value), 'unit' => '°C'];
    }

    public static function degrees(float $value): string
    {
        return Digits::fixed($value, 1);
    }

    public static function kilo(float $newtons): string
    {
        return Digits::significant($newtons / 1000);
    }
}
