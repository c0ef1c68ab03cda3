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
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Show;
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

    public function name(): string
    {
        return 'blow-off';
    }

    public function summary(): string
    {
        return 'Does boost push the hose off';
    }

    public function group(): string
    {
        return 'Charge air';
    }

    public function fields(): array
    {
        return [
            Field::quantity('diameter', 'Pipe, outside', Kind::Length, '63.5 mm'),
            Field::quantity('pressure', 'Boost', Kind::Pressure, '150 kPa', 'Over the air outside, the most it will see.'),
            Field::choice('clamp', 'Clamp', ['worm' => 'worm drive', 't-bolt' => 'T-bolt', 'spring' => 'spring band']),
            Field::quantity('screw_torque', 'Its screw at', Kind::Torque, '4.5 N·m', 'As the clamp asks for.')->optional(),
            Field::quantity('tension', 'Tension of its band', Kind::Force, '900 N', 'In place of the screw; a spring band has no other.')
                ->optional(),
            Field::text('screw', 'Bolt of a T-bolt clamp', self::SCREW)->optional(),
            Field::text('friction', 'The hose went on', 'dry', 'dry, damp or oily; or its friction as a number.')->optional(),
            Field::text('bead', 'Bead', 'yes', 'yes, no, or the angle of its flank, 10° to 45°. A clamp on the bead or before it: no.')
                ->optional(),
            Field::flag('tied', 'Tied by a bracket or a strap'),
        ];
    }

    public function example(): array
    {
        return ['diameter' => '63.5 mm', 'pressure' => '150 kPa', 'clamp' => 't-bolt', 'screw_torque' => '5 N·m', 'friction' => 'damp'];
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
            $in->length('diameter', 10.0, 250.0), self::flank($in), $r->number('push'), $r->number('hold_low'), $r->number('hold'),
        )];
    }

    public function compute(Inputs $in): SumResult
    {
        $diameter = $in->length('diameter', 10.0, 250.0);
        $boost = $in->pressure('pressure', 0.1, 1000.0);
        [$band, $how] = self::band($in);
        $friction = self::friction($in);
        $flank = self::flank($in);
        $hold = HoseHold::of($diameter, $boost, $band, $friction, $flank);

        return new SumResult($this->name(), $in->raw, [
            'push' => Value::of($hold->push->newtons, Unit::Newton->value), 'band' => Value::of($hold->band->newtons, Unit::Newton->value),
            'hold' => Value::of($hold->hold->newtons, Unit::Newton->value),
            'hold_low' => Value::of($hold->least->newtons, Unit::Newton->value),
            'margin' => Value::of($hold->margin, Unit::One->value),
        ], [self::judged($hold, $in->flag('tied'))], [
            new Working('Push', 'F = p π D²/4', sprintf(
                'p %s kPa, D %s mm', Show::n($boost->kilopascals), Show::n($diameter->millimetres),
            ), Show::n($hold->push->newtons).' N', 'pressure on the bore'),
            $how,
            new Working(
                'Held', '2π T (tan β + μ)/(1 − μ tan β)', sprintf('μ %s, β %s°', Show::n($friction), Show::n($flank)),
                Show::n($hold->hold->newtons).' N', 'friction and the flank of the bead: working values',
            ),
            new Working(
                'Held at the least', 'with 0.75 T and 0.7 μ', 'friction ±30 %, and some of the band lost under it',
                Show::n($hold->least->newtons).' N', 'working values',
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
            $tension = Force::newtons($in->between('tension', Kind::Force, 1.0, 50_000.0));

            return [
                $tension, new Working('Band', 'T as given', $in->text('tension'), Show::n($tension->newtons).' N', 'the clamp’s maker'),
            ];
        }
        BandClamp::Spring !== $clamp || throw InvalidInput::missing('tension', '900 N, by its maker');
        $in->has('screw_torque') || throw InvalidInput::missing('screw_torque', '4.5 N·m');
        $torque = $in->torque('screw_torque', 0.1, 40.0);
        try {
            $screw = Thread::parse($in->has('screw') ? $in->text('screw') : self::SCREW)->diameter;
        } catch (InvalidInput $e) {
            throw InvalidInput::in('screw', $e->getMessage());
        }
        $tension = $clamp->tension($torque, $screw);

        return [$tension, BandClamp::Worm === $clamp
            ? new Working('Band', '2π · 0.15 · M/3.2 mm', 'M '.Show::n($torque->newtonMetres).' N·m', Show::n($tension->newtons).' N',
                'a worm of 3.2 mm lead, 15 % left: working values')
            : new Working('Band', 'M/(0.20 d)', sprintf('M %s N·m, d %s mm', Show::n($torque->newtonMetres), Show::n($screw)),
                Show::n($tension->newtons).' N', 'nut factor 0.20, a working value')];
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
