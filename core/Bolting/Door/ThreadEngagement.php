<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting\Door;

use NimbleKnuckle\Core\Bolting\BoltFields;
use NimbleKnuckle\Core\Bolting\Engagement;
use NimbleKnuckle\Core\Bolting\Material;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Bolting\ThreadDrawing;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Stress;
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

/**
 * Does the bolt break before its thread strips? Lengths in mm, forces in N, stresses in MPa.
 * Shear areas on the basic profile: internal 0.875 π d Le, external 0.75 π D1 Le; the bolt's thread shears at 0.6 Rm.
 */
final readonly class ThreadEngagement implements Sum
{
    private const SAFETY = 1.25;

    public function about(): About
    {
        return new About('thread-engagement', 'Thread engagement', 'What is the figure', static fn (): array => [
            BoltFields::thread(), BoltFields::grade(),
            Field::choice('material', 'Screws into', Material::choices())->optional(),
            Field::quantity(
                'shear_strength', 'Shear strength', Kind::Stress, '145 MPa', 'Goes before the material.'
            )->within(10.0, 1500.0)->optional(),
            Field::quantity('engagement', 'Thread engaged', Kind::Length, '12 mm', 'Full threads only, the lead-in does not count.'),
            Field::quantity('safety', 'Safety', Kind::Number, '1.25', '1.25 unless there is a reason.')->within(1.0, 10.0)->optional(),
        ], ['grade' => '8.8', 'material', 'engagement' => '10 mm']);
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
        $bolt = BoltFields::read($in);
        $threads = new Engagement($bolt->thread, $bolt->grade, $this->strength($in));
        $engaged = $in->length('engagement');
        $safety = $in->has('safety') ? $in->number('safety', Kind::Number) : self::SAFETY;
        [$force, $strip, $needed] = [$threads->boltForce(), $threads->stripForce($engaged), $threads->needed($safety)];

        return new SumResult($this->about()->name, $in->raw, [
            'bolt_force' => Value::of($force->newtons, Unit::Newton->value),
            'strip_force' => Value::of($strip->newtons, Unit::Newton->value),
            'ratio' => Value::of($strip->over($force), 'ratio'),
            'needed' => Value::of($needed->millimetres, Unit::Millimetre->value),
            'diameters' => Value::of($engaged->millimetres / $bolt->thread->diameter, 'ratio'),
        ], [
            $this->judged($threads, $engaged, $needed, $safety), ...BoltFields::gradeAssumed($in),
        ], $this->working($threads, $engaged, $safety));
    }

    /** @return list<Working> */
    private function working(Engagement $threads, Length $engaged, float $safety): array
    {
        [$thread, $strength] = [$threads->thread, $threads->grade->tensileStrength()];
        $length = Show::n($engaged->millimetres);

        return [
            Working::by($threads->boltFormula(), 'The bolt breaks at', 'N', 'ISO 898-1'),
            Working::by(
                $threads->internalFormula($engaged), 'The hole’s thread strips at', 'N',
                'basic profile ISO 68-1; τ a working value at the low end',
                with: sprintf(
                    'd = %s, Le = %s mm, τ = %s MPa', Show::n($thread->diameter), $length, Show::n($threads->shearStrength->megapascals),
                ),
            ),
            Working::by(
                $threads->externalFormula($engaged), 'The bolt’s thread strips at', 'N', 'basic profile ISO 68-1',
                with: sprintf('D1 = %s, Le = %s mm, Rm = %s MPa', Show::n($thread->minorDiameter()), $length, Show::n($strength)),
            ),
            Working::by($threads->neededFormula($safety), 'Engagement needed', 'mm', 'the bolt is to break first'),
        ];
    }

    /** @throws InvalidInput when neither strength nor material is given */
    private function strength(Inputs $in): Stress
    {
        return match (true) {
            $in->has('shear_strength') => $in->stress('shear_strength'),
            $in->has('material') => Stress::megapascals(Material::parse($in->text('material'))->shearStrength()),
            default => throw InvalidInput::in('material', 'Say what it screws into, or give a shear strength.'),
        };
    }

    private function judged(Engagement $threads, Length $engaged, Length $needed, float $safety): Check
    {
        $ratio = $threads->stripForce($engaged)->over($threads->boltForce());
        $lengths = sprintf('%s mm engaged, %s needed', Show::n($engaged->millimetres, 3), Show::n($needed->millimetres, 3));

        return match (true) {
            $ratio < 1.0 => Check::stop(
                'strips-first',
                sprintf(
                    'The thread of the %s strips before the bolt breaks: %s. Longer bolt, thread insert, or a lower figure.',
                    $threads->holeIsWeaker() ? 'hole' : 'bolt', $lengths,
                ),
            ),
            $ratio < $safety - 1e-9 => Check::watch(
                'thin-margin', sprintf('The bolt breaks first, but only just: %s with the safety.', $lengths),
            ),
            default => Check::ok('bolt-first', sprintf('The bolt breaks first: %s.', $lengths)),
        };
    }
}
