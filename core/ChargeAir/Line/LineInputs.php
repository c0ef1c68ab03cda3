<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Line;

use NimbleKnuckle\Core\ChargeAir\ChargeSection;
use NimbleKnuckle\Core\ChargeAir\Coupler;
use NimbleKnuckle\Core\ChargeAir\PipeJoint;
use NimbleKnuckle\Core\ChargeAir\Wetting;

/** A charge path as it is put into the sums of charge air. */
final readonly class LineInputs
{
    /** @return array<string, string> the box against the ends it has to join; empty without a box */
    public static function box(ChargeLine $line): array
    {
        $hoses = json_encode(array_map(static fn (Coupler $one): array => [
            'name' => $one->name, 'a' => $one->a, 'b' => $one->b, 'angle' => $one->angle, 'wall' => $one->wall,
        ], $line->hoses), \JSON_THROW_ON_ERROR);
        $ends = json_encode(array_map(static fn (PipeJoint $one): array => [
            'name' => $one->name, 'a' => $one->a, 'b' => $one->b, 'angle' => $one->angle,
        ] + ($one->hasBead ? ['bead' => 'bead'] : []), array_values($line->open())), \JSON_THROW_ON_ERROR);
        $clamps = json_encode(array_map(static fn (BoxClamp $one): array => [
            'name' => $one->name, 'min' => $one->from, 'max' => $one->to, 'kind' => $one->kind->value,
        ], $line->clamps), \JSON_THROW_ON_ERROR);

        return [] === $line->hoses || [] === $line->open() ? [] : ['ends' => $ends, 'couplers' => $hoses]
            + ([] === $line->clamps ? [] : ['clamps' => $clamps]);
    }

    /** @return array<string, string|float> what the pipes cost at the most the engine breathes; empty where nobody said that */
    public static function path(ChargeLine $line): array
    {
        $sections = $line->sections();

        return [] === $sections || !$line->breath->isKnown() || $line->boost <= 0.0 ? [] : [
            'engine' => sprintf('%s L %s rpm %s', $line->breath->litres, $line->breath->rpm, $line->breath->efficiency),
            'boost' => $line->boost, 'temperature' => $line->breath->temperature,
            'sections' => json_encode(array_map(static fn (ChargeSection $one): array => [
                'name' => $one->name, 'd' => $one->d, 'length' => $one->length, 'bends' => $one->bends,
            ], $sections), \JSON_THROW_ON_ERROR),
        ];
    }

    /** @return array<string, string|float> the end boost pushes off first; empty where no clamp is known */
    public static function weakest(ChargeLine $line, float $boost, Wetting $wetting): array
    {
        $end = $line->weakest($boost, $wetting);
        $clamp = null === $end ? null : $line->joins[$end->join]->clamp;

        return null === $end || null === $clamp ? [] : [
            'diameter' => $end->diameter, 'pressure' => $boost, 'clamp' => $clamp->kind->value, 'friction' => $wetting->value,
            'bead' => $end->hasBead ? 'yes' : 'no',
        ] + ($end->isTied ? ['tied' => 'yes'] : []) + ($clamp->tension > 0.0 ? ['tension' => $clamp->tension] : [
            'screw_torque' => $clamp->torque, 'screw' => 'M'.round($clamp->screw),
        ]);
    }
}
