<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting\Door;

use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\Engagement;
use NimbleKnuckle\Core\Bolting\Material;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Bolting\ThreadDrawing;
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

/**
 * Does the bolt break before its thread strips? Lengths in mm, forces in N, stresses in MPa.
 * Shear areas on the basic profile: internal 0.875 π d Le, external 0.75 π D1 Le; the bolt's thread shears at 0.6 Rm.
 */
final readonly class ThreadEngagement implements Sum
{
    private const SAFETY = 1.25;

    public function name(): string
    {
        return 'thread-engagement';
    }

    public function summary(): string
    {
        return 'Thread engagement';
    }

    public function fields(): array
    {
        return [
            Bolt::threadField(), Bolt::gradeField(),
            Field::choice('material', 'Screws into', Material::choices())->optional(),
            Field::quantity('shear_strength', 'Shear strength', Kind::Stress, '145 MPa', 'Goes before the material.')->optional(),
            Field::quantity('engagement', 'Thread engaged', Kind::Length, '12 mm', 'Full threads only, the lead-in does not count.'),
            Field::quantity('safety', 'Safety', Kind::Number, '1.25', '1.25 unless there is a reason.')->optional(),
        ];
    }

    public function group(): string
    {
        return 'What is the figure';
    }

    public function example(): array
    {
        return ['thread' => 'M8', 'grade' => '8.8', 'material' => 'aluminium casting', 'engagement' => '10 mm'];
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Needs', [Headline::figure($r->number('needed'), 'mm')],
            sprintf(
                'strips at %s kN, the bolt breaks at %s', Headline::kilo($r->number('strip_force')),
                Headline::kilo($r->number('bolt_force')),
            ),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return [
            'thread',
            ThreadDrawing::of(Thread::parse($in->text('thread')), $in->number('engagement', Kind::Length), $r->number('needed')),
        ];
    }

    public function compute(Inputs $in): SumResult
    {
        $bolt = Bolt::read($in);
        $strength = $this->strength($in);
        $engaged = $in->positive('engagement', Kind::Length);
        $safety = $in->has('safety') ? $in->between('safety', Kind::Number, 1.0, 10.0) : self::SAFETY;
        $threads = new Engagement($bolt->thread, $bolt->grade, $strength);
        [$force, $strip, $needed] = [$threads->boltForce(), $threads->stripForce($engaged), $threads->needed($safety)];

        return new SumResult($this->name(), $in->raw, [
            'bolt_force' => Value::of($force, Unit::Newton->value),
            'strip_force' => Value::of($strip, Unit::Newton->value),
            'ratio' => Value::of($strip / $force, 'ratio'),
            'needed' => Value::of($needed, Unit::Millimetre->value),
            'diameters' => Value::of($engaged / $bolt->thread->diameter, 'ratio'),
        ], [
            $this->judged($strip / $force, $safety, $needed, $engaged, $threads),
            ...array_values(array_filter($bolt->assumed, static fn (Check $c): bool => 'grade-assumed' === $c->code)),
        ], [
            new Working(
                'The bolt breaks at', 'F = AS Rm',
                sprintf('%s mm² × %s MPa', Show::n($bolt->thread->stressArea()), Show::n($bolt->grade->tensileStrength())),
                sprintf('%s N', Show::n($force)), 'ISO 898-1',
            ),
            new Working(
                'The hole’s thread strips at', 'F = 0.875 π d Le τ',
                sprintf('d = %s, Le = %s mm, τ = %s MPa', Show::n($bolt->thread->diameter), Show::n($engaged), Show::n($strength)),
                sprintf('%s N', Show::n($threads->internalForce($engaged))),
                'basic profile ISO 68-1; τ a working value at the low end',
            ),
            new Working(
                'The bolt’s thread strips at', 'F = 0.75 π D1 Le 0.6 Rm',
                sprintf(
                    'D1 = %s, Le = %s mm, Rm = %s MPa', Show::n($bolt->thread->minorDiameter()), Show::n($engaged),
                    Show::n($bolt->grade->tensileStrength()),
                ),
                sprintf('%s N', Show::n($threads->externalForce($engaged))), 'basic profile ISO 68-1',
            ),
            new Working(
                'Engagement needed', 'Le = safety × AS Rm / strip force a millimetre',
                sprintf('%s × %s / %s', Show::n($safety), Show::n($force), Show::n($threads->stripForce(1.0))),
                sprintf('%s mm', Show::n($needed)), 'the bolt is to break first',
            ),
        ]);
    }

    /** @throws InvalidInput when neither strength nor material is given */
    private function strength(Inputs $in): float
    {
        return match (true) {
            $in->has('shear_strength') => $in->between('shear_strength', Kind::Stress, 10.0, 1500.0),
            $in->has('material') => Material::parse($in->text('material'))->shearStrength(),
            default => throw InvalidInput::in('material', 'Say what it screws into, or give a shear strength.'),
        };
    }

    private function judged(float $ratio, float $safety, float $needed, float $engaged, Engagement $threads): Check
    {
        $side = $threads->holeIsWeaker() ? 'hole' : 'bolt';

        return match (true) {
            $ratio < 1.0 => Check::stop(
                'strips-first',
                sprintf(
                    'The thread of the %s strips before the bolt breaks: %s mm engaged, %s needed. Longer bolt, thread insert, '
                        .'or a lower figure.',
                    $side, Show::n($engaged, 3), Show::n($needed, 3),
                ),
            ),
            $ratio < $safety - 1e-9 => Check::watch(
                'thin-margin',
                sprintf(
                    'The bolt breaks first, but only just: %s mm engaged, %s needed with the safety.', Show::n($engaged, 3),
                    Show::n($needed, 3),
                ),
            ),
            default => Check::ok(
                'bolt-first',
                sprintf('The bolt breaks first: %s mm engaged, %s needed.', Show::n($engaged, 3), Show::n($needed, 3)),
            ),
        };
    }
}
