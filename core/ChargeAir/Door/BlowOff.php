<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Door;

use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\ChargeAir\BandClamp;
use NimbleKnuckle\Core\ChargeAir\HoldDrawing;
use NimbleKnuckle\Core\ChargeAir\HoseHold;
use NimbleKnuckle\Core\ChargeAir\Wetting;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Kind;
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

/** The door of a charge hose under boost: mm, kPa and N·m in, N and a margin out. */
final readonly class BlowOff implements Sum
{
    private const SCREW = 'M6';
    private const FLANK = 25.0;
    private const ENOUGH = 2.0;
    private const LEAST = 1.2;
    /** Past this neither the band nor the hose bears what friction would hold. */
    private const BEYOND = 10.0;

    public function about(): About
    {
        return new About('blow-off', 'Does boost push the hose off', 'Charge air', static fn (): array => [
            Field::quantity('diameter', 'Pipe, outside', Kind::Length, '63.5 mm')->within(10.0, 250.0),
            Field::quantity(
                'pressure', 'Boost', Kind::Pressure, '150 kPa', 'Over the air outside, the most it will see.'
            )->within(0.1, 1000.0),
            Field::choice('clamp', 'Clamp', ['worm' => 'worm drive', 't-bolt' => 'T-bolt', 'spring' => 'spring band']),
            Field::quantity(
                'screw_torque', 'Its screw at', Kind::Torque, '4.5 N·m', 'As the clamp asks for.'
            )->within(0.1, 40.0)->optional(),
            Field::quantity(
                'tension', 'Tension of its band', Kind::Force, '900 N', 'In place of the screw; a spring band has no other.'
            )->within(1.0, 50_000.0)
                ->optional(),
            Field::text('screw', 'Bolt of a T-bolt clamp', self::SCREW)->optional(),
            Field::text('friction', 'The hose went on', 'dry', 'dry, damp or oily; or its friction as a number.')->optional(),
            Field::text('bead', 'Bead', 'yes', 'yes, no, or the angle of its flank, 10° to 45°. A clamp on the bead or before it: no.')
                ->optional(),
            Field::flag('tied', 'Tied by a bracket or a strap'),
        ], ['clamp' => 't-bolt', 'screw_torque' => '5 N·m', 'friction' => 'damp']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline('It holds', [Headline::figure($r->number('margin'), '×')], sprintf(
            'pushed with %s N, held with %s N at the least', Show::n($r->number('push'), 3), Show::n($r->number('hold_low'), 3),
        ), true);
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['hold', HoldDrawing::of(
            $in->length('diameter'), self::flank($in), $r->number('push'), $r->number('hold_low'), $r->number('hold'),
        )];
    }

    public function compute(Inputs $in): SumResult
    {
        $diameter = $in->length('diameter');
        $boost = $in->pressure('pressure');
        [$band, $how] = self::band($in);
        $friction = self::friction($in);
        $flank = self::flank($in);
        $hold = HoseHold::of($diameter, $boost, $band, $friction, $flank);

        return new SumResult($this->about()->name, $in->raw, [
            'push' => Value::of($hold->push->value, Unit::Newton->value), 'band' => Value::of($hold->band->newtons, Unit::Newton->value),
            'hold' => Value::of($hold->hold->value, Unit::Newton->value),
            'hold_low' => Value::of($hold->least->value, Unit::Newton->value),
            'margin' => Value::of($hold->margin, Unit::One->value),
        ], [self::judged($hold, $in->flag('tied'))], [
            Working::by($hold->push, 'Push', 'N', 'pressure on the bore', with: sprintf(
                'p %s kPa, D %s mm', Show::n($boost->kilopascals), Show::n($diameter->millimetres),
            )),
            $how,
            Working::by(
                $hold->hold, 'Held', 'N', 'friction and the flank of the bead: working values',
                with: sprintf('μ %s, β %s°', Show::n($friction), Show::n($flank)),
            ),
            Working::by(
                $hold->least, 'Held at the least', 'N', 'working values',
                with: 'friction may be less, and some of the band is lost under it',
            ),
        ]);
    }

    private static function clamp(Inputs $in): BandClamp
    {
        return BandClamp::tryFrom(str_replace(['_', ' '], '-', mb_strtolower($in->text('clamp')))) ?? throw InvalidInput::in(
            'clamp', 'A clamp is worm, t-bolt or spring.',
        );
    }

    /** @return array{Force, Working} */
    private static function band(Inputs $in): array
    {
        $clamp = self::clamp($in);
        if ($in->has('tension')) {
            $tension = Force::newtons($in->number('tension', Kind::Force));

            return [
                $tension, new Working('Band', 'T as given', $in->text('tension'), Show::n($tension->newtons).' N', 'the clamp’s maker'),
            ];
        }
        BandClamp::Spring !== $clamp || throw InvalidInput::missing('tension', '900 N, by its maker');
        $in->has('screw_torque') || throw InvalidInput::missing('screw_torque', '4.5 N·m');
        $torque = $in->torque('screw_torque');
        try {
            $screw = Thread::parse($in->has('screw') ? $in->text('screw') : self::SCREW)->diameter;
        } catch (InvalidInput $e) {
            throw InvalidInput::in('screw', $e->getMessage());
        }
        $formula = $clamp->formula($torque, $screw);

        return [Force::newtons($formula->value), BandClamp::Worm === $clamp
            ? Working::by($formula, 'Band', 'N', 'the lead of a worm, and what friction leaves of the turning: working values')
            : Working::by($formula, 'Band', 'N', 'nut factor of the bolt, a working value')];
    }

    private static function friction(Inputs $in): float
    {
        $text = $in->has('friction') ? mb_strtolower($in->text('friction')) : Wetting::Dry->value;

        return Wetting::tryFrom($text)?->friction() ?? $in->between('friction', Kind::Number, 0.02, 1.0);
    }

    private static function flank(Inputs $in): float
    {
        $said = $in->has('bead') ? $in->raw['bead'] : false;
        $text = is_string($said) ? mb_strtolower(trim($said)) : $said;

        return match ($text) {
            true, 'yes', 'true', 'on' => self::FLANK,
            false, 'no', 'false', 'off', 'none' => 0.0,
            default => $in->angle('bead', 10.0, 45.0)->degrees,
        };
    }

    private static function judged(HoseHold $hold, bool $isTied): Check
    {
        $said = Show::n($hold->margin, 2);

        return match (true) {
            $hold->margin < self::LEAST && !$isTied => Check::stop(
                'blows-off', sprintf('It goes: %s times the push at the least. A bead, a dry hose, another clamp, or tie it.', $said),
            ),
            $hold->margin < self::LEAST => Check::watch('tied', sprintf('Only the tie holds it: %s times the push by the clamp.', $said)),
            $hold->margin < self::ENOUGH => Check::watch(
                'near', sprintf('%s times the push at the least. Under twice is little for heat and oil.', $said),
            ),
            $hold->margin > self::BEYOND => Check::ok(
                'holds', sprintf('Over %s times the push: hose or clamp gives way before it slips.', Show::n(self::BEYOND)),
            ),
            default => Check::ok('holds', sprintf('%s times the push at the least.', $said)),
        };
    }
}
