<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Fluids\DipScale;
use NimbleKnuckle\Core\Fluids\Fill\CircuitDrawing;
use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Fluids\FillCycles;
use NimbleKnuckle\Core\Fluids\Mix;
use NimbleKnuckle\Core\Fluids\Shelf;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Kit\Wrench;
use NimbleKnuckle\Core\Kit\WrenchAdvice;
use NimbleKnuckle\Core\Kit\WrenchRound;
use NimbleKnuckle\Core\Luck;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Quantity;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Quantity\UnitSystem;
use NimbleKnuckle\Core\Quantity\Volume;
use NimbleKnuckle\Core\Tightening\CardGeometry;
use NimbleKnuckle\Core\Tightening\Layout;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Tests\Core\Plan\Sheets;

/** Numbers as they are shown, drawings as they are laid out, and lots as they fall. */
final readonly class NumberPins implements Pin
{
    private const SHOWN = [
        0.0, 0.0004, 0.00123, 0.05, 0.0994, 0.1, 0.949, 0.951, 0.995, 1.0, 1.05, 2.5, 9.94, 9.96, 12.345, 99.4, 99.6, 100.0, 101.5,
        999.4, 999.6, 1000.0, 1234.5, 9999.0, 12345.6, 1234567.0, -0.4, -12.3, -1234.0,
    ];

    public static function values(): iterable
    {
        foreach (self::SHOWN as $value) {
            yield 'shown '.$value => [
                array_map(static fn (int $n): string => Digits::significant($value, $n), range(1, 6)),
                array_map(static fn (int $n): string => Digits::fixed($value, $n), range(0, 4)),
                array_map(static fn (Kind $kind): string => Digits::of($kind, $value), Kind::cases()),
                Digits::significant($value, 4, true), Plot::roundStep(abs($value) + 0.001),
            ];
            foreach (UnitSystem::cases() as $system) {
                foreach ([Unit::NewtonMetre, Unit::Millimetre, Unit::Litre, Unit::Kilopascal, Unit::Celsius, Unit::Kilometre] as $unit) {
                    yield sprintf('said %s %s %s', $value, $unit->value, $system->name) => [
                        $system->said($value, $unit), Quantity::of($value, $unit)->format($unit, 2),
                    ];
                }
            }
        }
        yield from self::drawings();
        yield from self::mixes();
        yield from self::advised();
        $luck = new Luck(7);
        yield 'luck' => array_map(static fn (): array => [
            $luck->between(0.0, 1.0), $luck->between(-3.0, 9.0), $luck->oneOf(['a', 'b', 'c']),
        ], range(1, 12));
        yield 'shelf' => array_map(static fn (float $l): mixed => Shelf::buy($l, [0.5, 1.0, 5.0]), [0.2, 0.6, 1.0, 2.3, 4.9, 5.1, 11.4]);
        yield 'dip' => DipScale::learn([
            ['litres' => 0.5, 'before' => 4.0, 'after' => 12.5], ['litres' => 0.3, 'before' => 9.0, 'after' => 11.0],
            ['litres' => 0.3, 'before' => 9.0, 'after' => 10.9], ['litres' => 0.0, 'before' => 1.0, 'after' => 9.0],
        ]);
    }

    /** @return iterable<string, mixed> which wrench is taken for which figure, and how a whole round is made, by kits of all sorts */
    private static function advised(): iterable
    {
        $kits = [
            'plain' => [['a', 2.0, 20.0, 4.0, 0], ['b', 10.0, 60.0, 4.0, 0], ['c', 40.0, 210.0, 4.0, 0]],
            'late' => [['a', 2.0, 20.45, 4.0, 12], ['b', 6.85, 135.25, 2.0, 0]], 'coarse' => [['a', 1.0, 210.0, 6.0, 0]],
            'twins' => [['a', 2.0, 60.0, 3.0, 0], ['b', 2.0, 60.0, 3.0, 400], ['c', 2.0, 61.0, 4.0, 0]], 'none' => [],
        ];
        foreach ($kits as $name => $wrenches) {
            $kit = new Kit(array_map(
                static fn (array $w): Wrench => new Wrench($w[0], '1/2 in', $w[1], $w[2], $w[3], 300.0, $w[4]), $wrenches,
            ), []);
            foreach (['corrin-drover-27d'] as $id) {
                $vehicle = Sheets::vehicle($id);
                yield sprintf('advice %s %s', $name, $id) => array_map(static fn (Joint $joint): array => array_map(
                    static fn (float $share): WrenchAdvice => WrenchAdvice::for(
                        $kit, $joint, $joint->torqueAt($share),
                    ), $joint->going->passes,
                ), array_values(array_filter($vehicle->joints, static fn (Joint $joint): bool => $joint->hasFigure())));
            }
            yield 'round '.$name => WrenchRound::of(Sheets::thermostat(), Sheets::tarn(), $kit);
            yield 'long round '.$name => WrenchRound::of((new Compiler(Sheets::common()))->compile(
                [Sheets::procedure('water-pump'), Sheets::procedure('starter'), Sheets::procedure('crank-damper')], new Choices([]),
                Sheets::vehicle('askerby-roan-30t'), $kit,
            ), Sheets::vehicle('askerby-roan-30t'), $kit);
        }
    }

    /** @return iterable<string, mixed> strengths that are equal, and ones that are not */
    private static function mixes(): iterable
    {
        $shares = [0.0, 0.33, 0.5, 1.0];
        foreach ([0.05, 2.0, 6.0] as $drained) {
            foreach ($shares as $present) {
                $all = [];
                foreach ($shares as $target) {
                    foreach ($shares as $product) {
                        $all[] = self::mixed($drained, $present, $target, $product);
                    }
                }
                yield sprintf('mix %g of %g', $drained, $present) => $all;
            }
        }
    }

    private static function mixed(float $drained, float $present, float $target, float $product): mixed
    {
        try {
            $mix = Mix::of(
                Volume::litres(6.0), Volume::litres($drained), Share::ofOne($present), Share::ofOne($target), Share::ofOne($product),
            );
            $cycles = FillCycles::toReach($mix);

            return [
                $mix->isReachable(), $mix->isProductTooWeak(), $mix->isToBeStronger(), $mix->needsAll(), $mix->isHardlyDrained(),
                $mix->pour(), $mix->water(), $mix->result(), $mix->refill(), $mix->drainNeeded(), $cycles->count(),
            ];
        } catch (\Throwable $e) {
            return $e::class;
        }
    }

    /** @return iterable<string, mixed> */
    private static function drawings(): iterable
    {
        foreach (['ring 1', 'ring 3', 'ring 8', 'line 4', 'grid 2x5', 'line 1', 'ring 12', 'grid 3x3'] as $text) {
            foreach ([0.0, 6.0, 12.0] as $diameter) {
                $card = CardGeometry::of(Layout::parse($text), $diameter);
                yield $text.' of '.$diameter => [
                    $card, $card->hexagon(), $card->centreX(), $card->bodyY(), $card->beside(1, 9.0), Layout::parse($text)->order(),
                ];
            }
        }
        $free = CardGeometry::of(Layout::points([[0.0, 0.0], [40.0, 5.0], [35.0, 60.0], [-10.0, 30.0], [12.0, 20.0]]), 8.0);
        yield 'free' => [$free, $free->hexagon(), $free->centreX(), $free->bodyY(), $free->beside(3, 4.0)];
        foreach (FillRoutine::names() as $name) {
            foreach (FillRoutine::named($name)->stages ?? [] as $stage) {
                foreach ([
                    [], ['radiator' => 640.0, 'engine' => 820.0, 'heater' => 760.0, 'tank' => 900.0, 'bleed' => 850.0],
                ] as $i => $heights) {
                    yield $name.' '.$stage->id.' '.$i => CircuitDrawing::of($heights, $stage);
                }
            }
        }
    }
}
