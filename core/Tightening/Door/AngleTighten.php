<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening\Door;

use NimbleKnuckle\Core\Bolting\BoltFields;
use NimbleKnuckle\Core\Bolting\SpringFields;
use NimbleKnuckle\Core\Bolting\Springs;
use NimbleKnuckle\Core\Quantity\Angle;
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
use NimbleKnuckle\Core\Tightening\AngleTightening;
use NimbleKnuckle\Core\Tightening\Pulls;
use NimbleKnuckle\Core\Tightening\SpringDrawing;

/**
 * What a snug torque and an angle do to a bolt: preload, share of yield, stretch, and the pulls it takes. Torques in N·m,
 * angles in degrees, lengths in mm, forces in N.
 */
final readonly class AngleTighten implements Sum
{
    public function about(): About
    {
        return new About('angle-tighten', 'Torque plus angle', 'How to tighten it', static fn (): array => [
            BoltFields::thread(), BoltFields::grade(), BoltFields::head(),
            Field::quantity('snug', 'First to', Kind::Torque, '40 N·m'),
            Field::quantity('angle', 'Then a further', Kind::Angle, '75 deg', 'Degrees, “quarter turn”, or flats.')->within(0.0, 1080.0),
            ...SpringFields::all(), BoltFields::friction(),
            Field::quantity(
                'swing', 'Room to swing', Kind::Angle, '30 deg', 'How far the handle moves at a time.'
            )->within(1.0, 360.0)->optional(),
        ], ['thread' => 'M12x1.25', 'grade' => '10.9', 'member' => 'aluminium', 'friction', 'swing']);
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
        return ['springs', SpringDrawing::of(self::read($in), $in->has('swing') ? $in->angle('swing') : null)];
    }

    /** @throws InvalidInput */
    private static function read(Inputs $in): AngleTightening
    {
        $bolt = BoltFields::read($in);

        return AngleTightening::of($bolt, SpringFields::read($in, $bolt), $in->torque('snug'), $in->angle('angle'));
    }

    public function compute(Inputs $in): SumResult
    {
        return $this->said(
            self::read($in), $in->has('swing') ? $in->angle('swing') : null, $in->raw, BoltFields::assumed($in),
        );
    }

    /**
     * What was calculated elsewhere, with its working.
     *
     * @param array<string, mixed> $raw
     * @param list<Check> $assumed
     */
    public function said(AngleTightening $made, ?Angle $swing = null, array $raw = [], array $assumed = []): SumResult
    {
        [$pulls, $checks, $lines] = null === $swing ? [[], [], []] : $this->pulls($made->angle, $swing);

        return new SumResult($this->about()->name, $raw, [
            'snug_preload' => Value::of($made->snug->newtons, Unit::Newton->value),
            'added_preload' => Value::of($made->added->newtons, Unit::Newton->value),
            'preload' => Value::of($made->preload->newtons, Unit::Newton->value),
            'yield_preload' => Value::of($made->yield->newtons, Unit::Newton->value),
            'utilisation' => Value::of($made->ofYield()->percent(), Unit::Percent->value),
            'stretch' => Value::of($made->stretch()->millimetres, Unit::Millimetre->value),
        ] + $pulls, [$this->judged($made), ...$checks, ...$assumed], [...$this->working($made), ...$lines]);
    }

    /** @return array{array<string, Value>, list<Check>, list<Working>} */
    private function pulls(Angle $angle, Angle $swing): array
    {
        $pulls = Pulls::of($angle, $swing);
        [$each, $last] = [Show::n($swing->degrees), Show::n($pulls->last->degrees)];
        $said = 1 === $pulls->count ? 'One pull, without stopping.' : sprintf(
            '%d pulls: %d of %s°, the last one %s°. Mark head and part before the first.', $pulls->count, $pulls->count - 1, $each, $last,
        );

        return [
            ['pulls' => Value::of((float) $pulls->count, 'count'), 'last_pull' => Value::of($pulls->last->degrees, Unit::Degree->value)],
            [Check::ok('pulls', $said)],
            [new Working(
                'Pulls', 'n = angle / swing, rounded up', sprintf('%s / %s', Show::n($angle->degrees), $each),
                sprintf('%d, the last one %s°', $pulls->count, $last), 'definition',
            )],
        ];
    }

    private function judged(AngleTightening $made): Check
    {
        $share = $made->ofYield()->percent();

        return match (true) {
            $made->isPastYieldAtSnug() => Check::stop(
                'snug-past-yield',
                'The first torque alone takes the bolt past yield: look for a slip in the unit, the thread or the grade.',
            ),
            $made->goesIntoYield() => Check::watch(
                'into-yield',
                'The angle takes it past yield. Tightened into yield by design? Then a new bolt each time, never again the old one.',
            ),
            $share > 90.0 => Check::watch('near-yield', sprintf('%.0f %% of yield: snug and angle must be right.', $share)),
            $share < 30.0 => Check::watch(
                'hardly-clamped', sprintf('Only %.0f %% of yield: is the snug torque or the angle too small for this thread?', $share),
            ),
            default => Check::ok('elastic', sprintf('%.0f %% of yield: it stays elastic.', $share)),
        };
    }

    /** @return list<Working> */
    private function working(AngleTightening $made): array
    {
        [$bolt, $springs, $t] = [$made->bolt, $made->springs, $made->bolt->thread];
        $friction = $bolt->friction->typical;

        return [
            Working::by(
                $bolt->preload()->preloadFormula($made->snugTorque, $friction, $bolt->friction->head($friction)), 'Snug preload', 'N',
                'VDI 2230-1', with: sprintf(
                    'M = %s N·m, P = %s, d2 = %s, DKm = %s mm, μ = %s', Show::n($made->snugTorque->newtonMetres), Show::n($t->pitch),
                    Show::n($t->pitchDiameter()), Show::n($bolt->face->meanDiameter()), Show::n($friction),
                ),
            ),
            ...$this->springLines($springs),
            Working::by(
                $angle = $springs->angleFormula($made->angle->degrees), 'Preload by the angle', 'N', 'displacement of the thread',
                with: $angle->listed('θ'),
            ),
            Working::by(
                $bolt->preload()->yieldFormula($friction), 'Yield-limited preload', 'N', 'VDI 2230-1',
                with: sprintf('Rp = %s MPa', Show::n($bolt->grade->yieldStress())),
            ),
            Working::by($made->preloadFormula(), 'Preload', 'N', 'the bolt yields, the preload then hardly grows'),
            Working::by($springs->stretchFormula($made->preload), 'Elastic stretch of the bolt', 'mm', 'Hooke'),
        ];
    }

    /** @return list<Working> */
    private function springLines(Springs $springs): array
    {
        $t = $springs->thread;

        return [
            Working::by(
                $springs->boltFormula(), 'Bolt as a spring', 'N/mm', 'two lengths in a row', with: sprintf(
                    'AS = %s mm², ld = %s, lt = %s mm, E = %s GPa', Show::n($t->stressArea()), Show::n($springs->shank->millimetres),
                    Show::n($springs->threaded->millimetres), Show::n($springs->modulus / 1000),
                ),
            ),
            Working::by(
                $springs->membersFormula(), 'Clamped parts as a spring', 'N/mm', 'Wileman, Choudhury & Green 1991',
                with: sprintf(
                    '%s, d = %s, l = %s mm', $springs->member->value, Show::n($t->diameter), Show::n($springs->grip()->millimetres),
                ),
            ),
        ];
    }
}
