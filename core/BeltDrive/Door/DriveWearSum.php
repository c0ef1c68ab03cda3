<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive\Door;

use NimbleKnuckle\Core\BeltDrive\BeltWearDrawing;
use NimbleKnuckle\Core\BeltDrive\DriveWear;
use NimbleKnuckle\Core\BeltDrive\Wear;
use NimbleKnuckle\Core\BeltDrive\WearSign;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/** The door of what is seen and gauged on a belt drive: when each part is renewed, and why. */
final readonly class DriveWearSum implements Sum
{
    /** field => part, wear, what is said of it */
    private const SEEN = [
        'missing' => [DriveWear::BELT, Wear::Now, 'A rib is missing.'], 'frayed' => [
            DriveWear::BELT, Wear::Now, 'Its edge frays: it rubs somewhere.',
        ],
        'parted' => [DriveWear::BELT, Wear::Now, 'It comes apart in layers.'], 'oily' => [
            DriveWear::BELT, Wear::Now, 'It is soaked: find the leak first.',
        ],
        'glazed' => [DriveWear::BELT, Wear::Soon, 'Its ribs are glazed: it has slipped.'],
        'weak' => [DriveWear::TENSIONER, Wear::Now, 'Its spring is weak, or the arm sticks.'],
        'noisy' => [DriveWear::TENSIONER, Wear::Soon, 'Its pulley growls, and water on the belt changes nothing.'],
        'rough' => [DriveWear::IDLER, Wear::Now, 'It is rough by hand.'], 'uncapped' => [
            DriveWear::IDLER, Wear::Soon, 'Its cap is gone: dirt gets in.',
        ],
    ];
    private const WORDS = ['now' => 'Renew now', 'soon' => 'Renew soon', 'sound' => 'Sound'];

    public function about(): About
    {
        return new About('drive-wear', 'Belt, tensioner, idler: sound?', 'What turns', static fn (): array => [
            Field::quantity('cracks', 'Cracks in 100 mm of belt', Kind::Number, '4', 'Across the ribs, bent over a finger.')->optional(),
            Field::quantity('rib_new', 'Rib depth of a new belt', Kind::Length, '2.4 mm')->within(0.2, 15.0)->optional(),
            Field::quantity('rib_now', 'Rib depth of this belt', Kind::Length, '2.1 mm')->within(0.0, 15.0)->optional(),
            Field::flag('missing', 'A rib is missing'), Field::flag('frayed', 'Edge frayed'), Field::flag(
                'parted', 'Comes apart in layers',
            ),
            Field::flag('glazed', 'Ribs glazed'), Field::flag('oily', 'Oil or coolant on it'),
            Field::flag('near_seal', 'It runs beside a crank seal'),
            Field::quantity('swing', 'Swing of the arm at idle', Kind::Length, '2 mm', 'By a ruler beside it.')->optional(),
            Field::quantity('play', 'Play of the arm', Kind::Length, '0.3 mm')->optional(),
            Field::flag('weak', 'Spring weak or arm sticks'), Field::flag('noisy', 'Tensioner noisy'),
            Field::quantity('spin', 'Idler spun by hand runs on for', Kind::Angle, '2 turns')->optional(),
            Field::flag('rough', 'Idler rough'), Field::flag('uncapped', 'Idler’s cap gone'),
        ], ['cracks', 'rib_new', 'rib_now', 'swing', 'spin']);
    }

    public function headline(SumResult $r): Headline
    {
        $worst = array_reduce(
            $r->entries('when'), static fn (Wear $worst, float|string $one): Wear => $worst->worse(Wear::from((string) $one)), Wear::Sound,
        );

        return new Headline(self::WORDS[$worst->value], [], implode(', ', array_map(
            static fn (float|string $part, float|string $when): string => $part.' '.$when, $r->entries('part'), $r->entries('when'),
        )));
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['worn', BeltWearDrawing::of(self::wear($in))];
    }

    private static function wear(Inputs $in): DriveWear
    {
        $found = [];
        $number = static fn (string $field, Kind $kind, float $most): ?float => $in->has($field)
            ? $in->between($field, $kind, 0.0, $most) : null;
        if (null !== $cracks = $number('cracks', Kind::Number, 500.0)) {
            $found[] = DriveWear::cracks($cracks);
        }
        $found = [...$found, ...self::ribs($in)];
        if (null !== $swing = $number('swing', Kind::Length, 100.0)) {
            $found[] = DriveWear::swing($swing);
        }
        if (null !== $play = $number('play', Kind::Length, 50.0)) {
            $found[] = DriveWear::play($play);
        }
        if (null !== $spin = $number('spin', Kind::Angle, 3600.0)) {
            $found[] = DriveWear::spin($spin / 360);
        }
        foreach (self::SEEN as $field => [$part, $wear, $why]) {
            $in->flag($field) && $found[] = new WearSign($part, $wear, $why);
        }[] !== $found || throw InvalidInput::in('cracks', 'Say one thing that was looked at: cracks, ribs, the arm, the idler.');

        return DriveWear::of($found, $in->flag('near_seal'));
    }

    /** @return list<WearSign> */
    private static function ribs(Inputs $in): array
    {
        if (!$in->has('rib_now')) {
            return [];
        }
        $in->has('rib_new') || throw InvalidInput::missing('rib_new', '2.4 mm, gauged on a new belt');

        return [DriveWear::ribs($in->number('rib_new', Kind::Length), $in->number('rib_now', Kind::Length))];
    }

    public function compute(Inputs $in): SumResult
    {
        $wear = self::wear($in);
        $parts = $wear->parts();

        return new SumResult($this->about()->name, $in->raw, [
            'part' => Value::names($parts),
            'when' => Value::names(array_map(static fn (string $part): string => $wear->when($part)->value, $parts)),
        ], array_map(self::said(...), $wear->found), array_map(static fn (string $part): Working => new Working(
            ucfirst($part), 'the gravest of what was found', implode(' ', array_map(
                static fn (WearSign $one): string => $one->why, array_filter(
                    $wear->found, static fn (WearSign $one): bool => $one->part === $part,
                ),
            )), self::WORDS[$wear->when($part)->value], 'limits are working values; the maker’s go before them',
        ), $parts));
    }

    private static function said(WearSign $one): Check
    {
        return match (true) {
            $one->isDanger => Check::stop('seal', $one->why.' Do not run it.'),
            Wear::Now === $one->wear => Check::stop($one->part, $one->why.' Renew it now.'),
            Wear::Soon === $one->wear => Check::watch($one->part, $one->why.' Renew it soon.'),
            default => Check::ok($one->part, $one->why),
        };
    }
}
