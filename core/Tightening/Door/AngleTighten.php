<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening\Door;

use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\Springs;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\Show;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;
use NimbleKnuckle\Core\Tightening\Pulls;
use NimbleKnuckle\Core\Tightening\SpringDrawing;

/**
 * What a snug torque and an angle do to a bolt: preload, share of yield, stretch, and the pulls it takes. Torques in N·m,
 * angles in degrees, lengths in mm, forces in N. Source: VDI 2230-1; Wileman, Choudhury & Green 1991 for the clamped parts.
 */
final readonly class AngleTighten implements Sum
{
    public function name(): string
    {
        return 'angle-tighten';
    }

    public function summary(): string
    {
        return 'Torque plus angle';
    }

    public function fields(): array
    {
        return [
            Bolt::threadField(), Bolt::gradeField(), Bolt::headField(),
            Field::quantity('snug', 'First to', Kind::Torque, '40 N·m'),
            Field::quantity('angle', 'Then a further', Kind::Angle, '75 deg', 'Degrees, “quarter turn”, or flats.'),
            ...Springs::fields(), Bolt::frictionField(),
            Field::quantity('swing', 'Room to swing', Kind::Angle, '30 deg', 'How far the handle moves at a time.')->optional(),
        ];
    }

    public function group(): string
    {
        return 'How to tighten it';
    }

    public function example(): array
    {
        return [
            'thread' => 'M12x1.25',
            'grade' => '10.9',
            'snug' => '40 N·m',
            'angle' => '75 deg',
            'shank' => '30 mm',
            'threaded' => '16 mm',
            'member' => 'aluminium',
            'friction' => 'oiled',
            'swing' => '30 deg',
        ];
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Clamps with', [Headline::figure($r->number('preload') / 1000, 'kN')],
            sprintf(
                '%.0f %% of yield%s', $r->number('utilisation'),
                $r->has('pulls') ? sprintf(
                    ', %d pull%s, the last one %s°', $r->number('pulls'), 1.0 === $r->number('pulls') ? '' : 's',
                    Show::n($r->number('last_pull')),
                ) : '',
            ),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return [
            'springs',
            SpringDrawing::of(
                $r, Springs::read($in, Bolt::read($in)), $in->number('angle', Kind::Angle), $in->maybe('swing', Kind::Angle) ?? 0.0,
            ),
        ];
    }

    public function compute(Inputs $in): SumResult
    {
        $bolt = Bolt::read($in);
        $springs = Springs::read($in, $bolt);
        $snugTorque = $in->positive('snug', Kind::Torque);
        $angle = $in->between('angle', Kind::Angle, 0.0, 1080.0);
        $snug = $bolt->typicalPreload($snugTorque);
        $added = $angle * $springs->perDegree();
        $yield = $bolt->typicalAt(1.0);
        $preload = min($yield, $snug + $added);
        $utilisation = 100 * ($snug + $added) / $yield;
        $values = [
            'snug_preload' => Value::of($snug, Unit::Newton->value),
            'added_preload' => Value::of($added, Unit::Newton->value),
            'preload' => Value::of($preload, Unit::Newton->value),
            'yield_preload' => Value::of($yield, Unit::Newton->value),
            'utilisation' => Value::of($utilisation, Unit::Percent->value),
            'stretch' => Value::of($preload / $springs->bolt(), Unit::Millimetre->value),
        ];
        $checks = [$this->judged($snug, $yield, $utilisation)];
        $working = $this->working($bolt, $springs, $snugTorque, $angle, $snug, $added, $yield, $preload);
        if ($in->has('swing')) {
            $swing = $in->between('swing', Kind::Angle, 1.0, 360.0);
            $pulls = Pulls::of($angle, $swing);
            $values += ['pulls' => Value::of((float) $pulls->count, 'count'), 'last_pull' => Value::of($pulls->last, Unit::Degree->value)];
            $working[] = new Working(
                'Pulls', 'n = angle / swing, rounded up', sprintf('%s / %s', Show::n($angle), Show::n($swing)),
                sprintf('%d, the last one %s°', $pulls->count, Show::n($pulls->last)), 'definition',
            );
            $checks[] = Check::ok(
                'pulls',
                1 === $pulls->count ? 'One pull, without stopping.' : sprintf(
                    '%d pulls: %d of %s°, the last one %s°. Mark head and part before the first.', $pulls->count, $pulls->count - 1,
                    Show::n($swing), Show::n($pulls->last),
                ),
            );
        }

        return new SumResult($this->name(), $in->raw, $values, [...$checks, ...$bolt->assumed], $working);
    }

    private function judged(float $snug, float $yield, float $utilisation): Check
    {
        return match (true) {
            $snug > $yield => Check::stop(
                'snug-past-yield',
                'The first torque alone takes the bolt past yield: look for a slip in the unit, the thread or the grade.',
            ),
            $utilisation > 100.0 => Check::watch(
                'into-yield',
                'The angle takes it past yield. Tightened into yield by design? Then a new bolt each time, never again the old one.',
            ),
            $utilisation > 90.0 => Check::watch('near-yield', sprintf('%.0f %% of yield: snug and angle must be right.', $utilisation)),
            $utilisation < 30.0 => Check::watch(
                'hardly-clamped',
                sprintf('Only %.0f %% of yield: is the snug torque or the angle too small for this thread?', $utilisation),
            ),
            default => Check::ok('elastic', sprintf('%.0f %% of yield: it stays elastic.', $utilisation)),
        };
    }

    /** @return list<Working> */
    private function working(
        Bolt $bolt, Springs $springs, float $snugTorque, float $angle, float $snug, float $added, float $yield, float $preload,
    ): array {
        $t = $bolt->thread;

        return [
            new Working(
                'Snug preload', 'F = M / (0.16 P + 0.58 d2 μG + DKm/2 μK)',
                sprintf(
                    'M = %s N·m, P = %s, d2 = %s, DKm = %s mm, μ = %s', Show::n($snugTorque), Show::n($t->pitch),
                    Show::n($t->pitchDiameter()), Show::n($bolt->face->meanDiameter()), Show::n($bolt->friction->typical),
                ),
                sprintf('%s N', Show::n($snug)), 'VDI 2230-1',
            ),
            new Working(
                'Bolt as a spring', 'kb = Ad AS E / (Ad lt + AS ld)',
                sprintf(
                    'AS = %s mm², ld = %s, lt = %s mm, E = %s GPa', Show::n($t->stressArea()), Show::n($springs->shank),
                    Show::n($springs->threaded), Show::n($springs->modulus / 1000),
                ),
                sprintf('%s N/mm', Show::n($springs->bolt())), 'two lengths in a row',
            ),
            new Working(
                'Clamped parts as a spring', 'km = E d A exp(B d/l)',
                sprintf('%s, d = %s, l = %s mm', $springs->member->value, Show::n($t->diameter), Show::n($springs->grip())),
                sprintf('%s N/mm', Show::n($springs->members())), 'Wileman, Choudhury & Green 1991',
            ),
            new Working(
                'Preload by the angle', 'ΔF = θ/360 P / (1/kb + 1/km)', sprintf('θ = %s°', Show::n($angle)),
                sprintf('%s N', Show::n($added)), 'displacement of the thread',
            ),
            new Working(
                'Yield-limited preload', 'F = Rp AS / √(1 + 3 [1.5 (d2/dS)(P/(π d2) + 1.155 μG)]²)',
                sprintf('Rp = %s MPa', Show::n($bolt->grade->yieldStress())), sprintf('%s N', Show::n($yield)), 'VDI 2230-1',
            ),
            new Working(
                'Preload', 'F = min(snug + by angle, yield-limited)',
                sprintf('min(%s + %s, %s)', Show::n($snug), Show::n($added), Show::n($yield)), sprintf('%s N', Show::n($preload)),
                'the bolt yields, the preload then hardly grows',
            ),
            new Working(
                'Elastic stretch of the bolt', 'f = F / kb', sprintf('%s / %s', Show::n($preload), Show::n($springs->bolt())),
                sprintf('%s mm', Show::n($preload / $springs->bolt())), 'Hooke',
            ),
        ];
    }
}
