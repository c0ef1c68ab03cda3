<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Door;

use NimbleKnuckle\Core\Fluids\ClampKind;
use NimbleKnuckle\Core\Fluids\FittedHose;
use NimbleKnuckle\Core\Fluids\HoseClamp;
use NimbleKnuckle\Core\Fluids\HoseDrawing;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
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

/** The door of the hose clamp: by the hose's outside diameter once it is on the spigot, mm; screw in N·m. */
final readonly class ClampSize implements Sum
{
    private const SOURCES = [
        'worm' => 'DIN 3017-1', 'spring' => 'working value: 95 to 103 % of its size',
        'tbolt' => 'working values, DIN 3017-3 practice',
    ];
    private const NAMES = ['worm' => 'worm-drive', 'spring' => 'spring band', 'tbolt' => 'T-bolt'];

    public function about(): About
    {
        return new About('clamp-size', 'Hose clamp size', 'Coolant and oil', static fn (): array => [
            Field::quantity('outside', 'Hose outside', Kind::Length, '40 mm', 'Across the hose, off the spigot.')->within(6.0, 150.0),
            Field::quantity('inside', 'Hose inside', Kind::Length, '32 mm')->optional(),
            Field::quantity('spigot', 'Spigot', Kind::Length, '33 mm', 'Across the plain part behind the bead.')->optional(),
            Field::quantity(
                'behind_bead', 'Room behind the bead', Kind::Length, '20 mm', 'From the bead to where the hose ends.',
            )->within(0.0, 200.0)->optional(),
            Field::choice('kind', 'Kind', ['worm' => 'worm drive', 'spring' => 'spring band', 'tbolt' => 'T-bolt'])->optional(),
            Field::flag('soft', 'Silicone hose', 'It flows out through slots under the screw: a lined band or a spring.'),
        ], ['inside', 'spigot', 'behind_bead', 'kind']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Range', [['number' => sprintf('%.0f–%.0f', $r->number('smallest'), $r->number('largest')), 'unit' => 'mm']],
            sprintf(
                'for %s mm across, %.0f mm band%s', Digits::significant($r->number('fitted')), $r->number('band'),
                $r->has('torque') ? sprintf(', screw about %s N·m', Digits::of(Kind::Torque, $r->number('torque'))) : '',
            ),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        [$across] = $this->fitted($in);

        return ['hose', HoseDrawing::of(
            self::clamp($in, $across), $across, $in->has('inside') ? $in->length('inside') : null,
            $in->has('spigot') ? $in->length('spigot') : null,
        )];
    }

    public function compute(Inputs $in): SumResult
    {
        [$across, $fitLines, $fitChecks] = $this->fitted($in);
        $clamp = self::clamp($in, $across);
        [$room, $roomChecks, $roomLines] = $in->has('behind_bead') ? $this->room($clamp, $in->length('behind_bead')) : [
            [], [], [],
        ];

        return new SumResult($this->about()->name, $in->raw, [
            'fitted' => Value::of($across->millimetres, Unit::Millimetre->value),
            'smallest' => Value::of($clamp->smallest->millimetres, Unit::Millimetre->value),
            'largest' => Value::of($clamp->largest->millimetres, Unit::Millimetre->value),
            'band' => Value::of($clamp->band->millimetres, Unit::Millimetre->value),
        ] + ($clamp->kind->hasScrew() ? [
            'torque' => Value::of($clamp->torque->newtonMetres, Unit::NewtonMetre->value),
        ] : []) + $room, [
            ...$fitChecks,
            ...($in->flag('soft') && ClampKind::Worm === $clamp->kind ? [Check::watch(
                'soft-hose', 'Silicone creeps through an open slotted band: take a lined band, or a spring or T-bolt clamp.',
            )] : []),
            ...$roomChecks, $this->take($clamp),
        ], [...$fitLines, ...$this->working($clamp, $across), ...$roomLines]);
    }

    private function take(HoseClamp $clamp): Check
    {
        return Check::ok('clamp', sprintf(
            '%s %s to %s mm, behind the bead, %s.',
            ['worm' => 'Worm drive', 'spring' => 'Spring band for', 'tbolt' => 'T-bolt'][$clamp->kind->value],
            Show::n($clamp->smallest->millimetres), Show::n($clamp->largest->millimetres),
            $clamp->kind->hasScrew() ? 'screw where a driver reaches' : 'ears where the pliers reach',
        ));
    }

    /** @return list<Working> */
    private function working(HoseClamp $clamp, Length $across): array
    {
        [$from, $to, $band] = [
            Show::n($clamp->smallest->millimetres), Show::n($clamp->largest->millimetres), Show::n($clamp->band->millimetres),
        ];

        return [
            new Working(
                'Range', 'the one whose middle lies nearest', sprintf('%s in %s to %s', Show::n($across->millimetres), $from, $to),
                sprintf('%s to %s mm, band %s mm', $from, $to, $band), self::SOURCES[$clamp->kind->value],
            ),
            ...($clamp->kind->hasScrew() ? [new Working(
                'Screw', 'by band and size', sprintf('band %s mm', $band), sprintf('about %s N·m', Show::n($clamp->torque->newtonMetres)),
                'working value; what is stamped on the clamp goes before it; again when it has been hot',
            )] : []),
        ];
    }

    /** @return array{array<string, Value>, list<Check>, list<Working>} */
    private function room(HoseClamp $clamp, Length $room): array
    {
        $needed = $clamp->room()->millimetres;
        $check = $room->millimetres < $needed ? Check::stop('no-room', sprintf(
            'Only %s mm behind the bead, and it needs %s: push the hose further on, or cut it square and longer.',
            Show::n($room->millimetres), Show::n($needed),
        )) : Check::ok('room', 'The band fits behind the bead.');

        return [['room_needed' => Value::of($needed, Unit::Millimetre->value)], [$check], [
            Working::by($clamp->roomFormula(), 'Room it needs', 'mm', 'the band behind the bead, and some hose past it'),
        ]];
    }

    /** @throws InvalidInput where none closes on it */
    private static function clamp(Inputs $in, Length $across): HoseClamp
    {
        $kind = ClampKind::from($in->has('kind') ? $in->oneOf('kind', 'worm', 'spring', 'tbolt') : 'worm');
        $sizes = $kind->sizes();

        return HoseClamp::nearest($kind, $across) ?? throw InvalidInput::in('outside', sprintf(
            'No %s clamp closes on %s mm: their ranges go from %s to %s mm. Measure the hose again, or take another kind.',
            self::NAMES[$kind->value], Show::n($across->millimetres), Show::n(min([\INF, ...array_column($sizes, 0)]), 2),
            Show::n(max([0.0, ...array_column($sizes, 1)]), 3),
        ));
    }

    /** @return array{Length, list<Working>, list<Check>} across the hose once it is on */
    private function fitted(Inputs $in): array
    {
        $outside = $in->length('outside');
        $inside = $in->has('inside') ? $in->length('inside', 3.0, 150.0) : null;
        null === $inside || FittedHose::hasWall($inside, $outside) || throw InvalidInput::in('inside', sprintf(
            'The hose is %s mm inside and %s mm outside: that leaves it no wall. Measure both again, or swap them.',
            Show::n($inside->millimetres), Show::n($outside->millimetres),
        ));
        $said = Show::n($outside->millimetres);
        if (null === $inside || !$in->has('spigot')) {
            return [$outside, [new Working(
                'Across the hose', 'as measured', $said.' mm', $said.' mm', 'measure it on the spigot where you can',
            )], []];
        }
        $spigot = $in->length('spigot', 3.0, 150.0);
        $hose = FittedHose::on($spigot, $inside, $outside);

        return [$hose->across, [Working::by(
            $hose->stretched, 'Across the hose once it is on', '', 'the rubber keeps its cross-section',
            result: sprintf('%s mm', Show::n($hose->across->millimetres)),
        )], [$this->stretched($hose, $inside->minus($spigot))]];
    }

    private function stretched(FittedHose $hose, Length $loose): Check
    {
        $stretch = $hose->stretch->percent();

        return match (true) {
            $stretch < -2.0 => Check::stop('loose', sprintf(
                'The hose is %s mm larger than the spigot: no clamp cures that. Take the right hose.', Show::n($loose->millimetres, 2),
            )),
            $stretch > 12.0 => Check::stop('tight', sprintf('The hose would be stretched by %s %%: too small.', Show::n($stretch, 2))),
            $stretch > 7.0 => Check::watch(
                'tight', sprintf('The hose is stretched by %s %%: hard to push on, water helps.', Show::n($stretch, 2)),
            ),
            default => Check::ok('fit', sprintf('The hose is stretched by %s %%.', Show::n(max(0.0, $stretch), 2))),
        };
    }
}
