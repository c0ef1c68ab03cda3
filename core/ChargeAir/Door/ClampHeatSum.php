<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Door;

use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\ChargeAir\BandClamp;
use NimbleKnuckle\Core\ChargeAir\ClampAfterHeat;
use NimbleKnuckle\Core\ChargeAir\ClampDrawing;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Temperature;
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

/** The door of a clamp that is set again after heat: °, mm, N·m and °C in; mm of band and wall, a share and what was lost out. */
final readonly class ClampHeatSum implements Sum
{
    private const SCREW = 'M6';
    private const WALL = '4.5 mm';
    /** Shares of the wall: up to here it has settled, it is usual, it is much. Working values. */
    private const SETTLED = 0.02;
    private const USUAL = 0.1;
    private const MUCH = 0.2;
    /** Degrees of the screw a warm clamp may come short of, cold. */
    private const SHORT = 20.0;
    /** N·m by which two pulls of one wrench may differ, a share. */
    private const SPREAD = 0.06;

    public function about(): About
    {
        return new About('clamp-heat', 'Hose clamp after its first heat', 'Charge air', static fn (): array => [
            Field::quantity('turn', 'Its screw turned, to the figure', Kind::Angle, '90°', 'From a stroke over screw and housing.')
                ->within(0.0, 1080.0)->usually(10.0, 400.0),
            Field::choice('clamp', 'Clamp', ['worm' => 'worm drive', 't-bolt' => 'T-bolt', 'spring' => 'spring band']),
            Field::quantity('wall', 'Wall of the hose', Kind::Length, self::WALL)->within(1.5, 15.0)->usually(3.0, 6.0)->optional(),
            Field::text('screw', 'Bolt of a T-bolt clamp', self::SCREW)->optional(),
            Field::quantity('screw_torque', 'Its figure', Kind::Torque, '4.5 N·m', 'As the clamp asks for.')
                ->within(0.1, 40.0)->usually(2.0, 8.0)->optional(),
            Field::quantity('found', 'It first moved at', Kind::Torque, '3 N·m', 'The pull at which the screw began to turn.')
                ->within(0.05, 60.0)->usually(1.0, 8.0)->optional(),
            Field::quantity('warm', 'The hose end was', Kind::Temperature, '20 °C', 'When it was set again.')
                ->within(-40.0, 150.0)->usually(5.0, 90.0)->optional(),
            Field::choice('hose', 'Hose of', ['epdm' => 'black rubber', 'silicone' => 'silicone'])->optional(),
            Field::quantity('over', 'Across the hose, at the band', Kind::Length, '66 mm')
                ->within(8.0, 250.0)->usually(40.0, 90.0)->optional(),
            Field::quantity('smallest', 'The clamp closes to', Kind::Length, '60 mm', 'The smaller number on its band.')
                ->within(5.0, 250.0)->usually(40.0, 90.0)->optional(),
        ], ['turn', 'clamp', 'wall', 'screw_torque' => '5 N·m', 'found' => '3.5 N·m', 'hose' => 'silicone']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline('The wall gave way', [Headline::figure($r->number('gave'), 'mm')], sprintf(
            '%s %% of it; the band came in %s mm', Show::n(100 * $r->number('share'), 2), Show::n($r->number('drawn'), 2),
        ), true);
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['clamp', ClampDrawing::of(self::wall($in), Length::millimetres($r->number('gave')), $in->angle('turn'))];
    }

    public function compute(Inputs $in): SumResult
    {
        $wall = self::wall($in);
        $clamp = BandClamp::from($in->oneOf('clamp', ...array_column(BandClamp::cases(), 'value')));
        BandClamp::Spring !== $clamp || throw InvalidInput::in(
            'clamp', 'A spring band follows its hose by itself: it is not set again. One that leaks is renewed.',
        );
        $rubber = $in->has('hose') ? $in->oneOf('hose', ...array_keys(ClampAfterHeat::GROWTH)) : 'epdm';
        $warm = $in->has('warm') ? $in->temperature('warm') : Temperature::celsius(ClampAfterHeat::COLD);
        $lead = $clamp->lead(self::screw($in)->pitch);
        $set = ClampAfterHeat::of($in->angle('turn'), $lead, $wall, $warm, ClampAfterHeat::GROWTH[$rubber]);
        $set->share->value < 1.0 || throw InvalidInput::in(
            'turn', 'The band would be through the wall. Count the turn again, or the worm slips on its band.',
        );
        $short = $set->shortCold()->degrees;
        $values = [
            'drawn' => Value::of($set->drawn->value, Unit::Millimetre->value),
            'gave' => Value::of($set->gave->value, Unit::Millimetre->value),
            'share' => Value::of($set->share->value, Unit::One->value), 'slack' => Value::of($set->slack->value, Unit::Millimetre->value),
            'short_cold' => Value::of($short, Unit::Degree->value),
        ];
        $working = [Working::by($set->drawn, 'Band drawn in', 'mm', 'Lead of the screw; of a worm a working value')];
        if ($short > 0.0) {
            $working[] = Working::by($set->slack, 'Loose again, once cold', 'mm', 'Handbook α; a wall that can grow one way only');
        }
        $working[] = Working::by($set->gave, 'The wall gave way', 'mm', 'Circumference of a circle');
        $working[] = Working::by($set->share, 'Share of the wall', '', 'Set of the rubber, as ISO 815 measures it');
        [$lost, $how] = self::lost($in, $clamp);

        return new SumResult(
            $this->about()->name, $in->raw, $values + (null === $lost ? [] : ['lost' => Value::of($lost, Unit::One->value)]),
            self::checks($in, $set, $lost), [...$working, ...$how],
        );
    }

    /** @return array{?float, list<Working>} of one of the tension, that was gone before it was set again */
    private static function lost(Inputs $in, BandClamp $clamp): array
    {
        if (!$in->has('found') || !$in->has('screw_torque')) {
            return [null, []];
        }
        $was = $clamp->formula($in->torque('screw_torque'), self::screw($in)->diameter);
        $left = $clamp->formula($in->torque('found'), self::screw($in)->diameter);

        return [max(0.0, 1 - $left->value / $was->value), [
            Working::by($was, 'Band at its figure', 'N', 'Working values of clamp and screw'),
            Working::by($left, 'Band as it was found', 'N', 'The same; a screw that sticks says more than there was'),
        ]];
    }

    /** @return non-empty-list<Check> */
    private static function checks(Inputs $in, ClampAfterHeat $set, ?float $lost): array
    {
        $share = $set->share->value;
        $said = Show::n(100 * $share, 2).' % of the wall';
        $checks = [match (true) {
            $share <= self::SETTLED => Check::ok('settled', sprintf('It has settled: %s. No more before the next service.', $said)),
            $share <= self::USUAL => Check::ok('usual', sprintf('%s: usual after a first heat. Once more after the next.', $said)),
            $share <= self::MUCH => Check::watch(
                'soft', sprintf('%s: much. Feel the hose for soft spots and oil; once more after the next heat.', $said),
            ),
            default => Check::stop('gives-way', sprintf(
                '%s: the band cuts in, or its worm slips. Off, look at hose and slots, another hose or a wider band.', $said,
            )),
        }];
        $short = $set->shortCold()->degrees;
        if ($short > self::SHORT) {
            $checks[] = Check::watch('warm', sprintf(
                'Set at %s °C it is %s° short again once it is cold. Let it cool and set it then.',
                Show::n($in->temperature('warm')->celsius, 3), Show::n($short, 2),
            ));
        }
        if (null !== $lost && $lost > self::SPREAD) {
            $checks[] = Check::ok('lost', sprintf('At the least %s %% of its grip was gone.', Show::n(100 * $lost, 2)));
        }
        if ($in->has('over') && $in->has('smallest') && $in->length('over')->millimetres < $in->length('smallest')->millimetres) {
            $checks[] = Check::stop('at-its-end', sprintf(
                'At %s mm it is past what it closes to, %s mm: it feels tight and holds nothing. A smaller clamp.',
                Show::n($in->length('over')->millimetres), Show::n($in->length('smallest')->millimetres),
            ));
        }

        return $checks;
    }

    private static function wall(Inputs $in): Length
    {
        return $in->has('wall') ? $in->length('wall') : Length::millimetres((float) self::WALL);
    }

    private static function screw(Inputs $in): Thread
    {
        try {
            return Thread::parse($in->has('screw') ? $in->text('screw') : self::SCREW);
        } catch (InvalidInput $e) {
            throw InvalidInput::in('screw', $e->getMessage());
        }
    }
}
