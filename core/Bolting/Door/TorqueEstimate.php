<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting\Door;

use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\BoltFields;
use NimbleKnuckle\Core\Bolting\Engagement;
use NimbleKnuckle\Core\Bolting\EstimatedTorque;
use NimbleKnuckle\Core\Bolting\Material;
use NimbleKnuckle\Core\Bolting\PreloadDrawing;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Quantity\UnitSystem;
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
 * A torque where nobody knows one: preload at a share of yield, held under what strips the thread, times the friction lever.
 * Torques in N·m, forces in N. Source: VDI 2230-1. It is an estimate and says so.
 */
final readonly class TorqueEstimate implements Sum
{
    public function about(): About
    {
        return new About('torque-estimate', 'No torque spec: estimate one', 'What is the figure', static fn (): array => [
            BoltFields::thread(), BoltFields::grade(), BoltFields::friction(), BoltFields::head(),
            Field::quantity(
                'share', 'Share of yield', Kind::Percent, '65 %', '65 % unless there is a reason.'
            )->within(5.0, 100.0)->optional(),
            Field::choice('material', 'Screws into', Material::choices())->optional(),
            Field::quantity('engagement', 'Thread engaged', Kind::Length, '12 mm', 'One diameter is assumed.')->optional(),
        ], ['grade' => '8.8', 'friction', 'material', 'engagement' => '16 mm']);
    }

    public function headline(SumResult $r): Headline
    {
        $units = UnitSystem::heardIn(...array_values(array_filter($r->inputs, is_string(...))));

        return new Headline(
            'Estimated', [['number' => Digits::of(Kind::Torque, $r->number('torque')), 'unit' => 'N·m']],
            Headline::joined(
                $units->said($r->number('torque'), Unit::NewtonMetre),
                sprintf('clamps with %s to %s kN', Headline::kilo($r->number('preload_low')), Headline::kilo($r->number('preload_high'))),
            ),
            true,
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['plot', PreloadDrawing::of(self::estimate($in))];
    }

    public function compute(Inputs $in): SumResult
    {
        $estimate = self::estimate($in);
        $material = $in->has('material') ? Material::parse($in->text('material')) : null;

        return new SumResult($this->about()->name, $in->raw, [
            'torque' => Value::of($estimate->torque->newtonMetres, Unit::NewtonMetre->value),
            'preload' => Value::of($estimate->preload->newtons, Unit::Newton->value),
            'yield_torque' => Value::of($estimate->yieldTorque()->newtonMetres, Unit::NewtonMetre->value),
            'preload_low' => Value::of($estimate->preloadLow()->newtons, Unit::Newton->value),
            'preload_high' => Value::of($estimate->preloadHigh()->newtons, Unit::Newton->value),
        ], [
            Check::ok('estimate', 'An estimate from thread and grade, no specification: the maker’s service information goes before it.'),
            ...$this->held($in, $estimate, $material), $this->spreadCheck($estimate),
            ...(null === $estimate->strip ? [] : [$this->stripCheck($estimate, $estimate->strip)]), ...BoltFields::assumed($in),
        ], [
            $this->preloadLine($estimate->bolt, self::share($in)),
            ...(null === $estimate->strip || null === $material ? [] : [
                $this->stripLine($estimate->bolt, self::engaged($in, $estimate->bolt), $material, $estimate->strip),
            ]),
            ...$this->torqueLines($estimate),
        ]);
    }

    /** @throws InvalidInput */
    private static function estimate(Inputs $in): EstimatedTorque
    {
        $bolt = BoltFields::read($in);
        [$share, $engaged] = [self::share($in), self::engaged($in, $bolt)];

        return EstimatedTorque::of($bolt, $share, $in->has('material') ? Material::parse($in->text('material')) : null, $engaged);
    }

    private static function share(Inputs $in): Share
    {
        return $in->has('share') ? $in->share('share') : Share::ofHundred(EstimatedTorque::SHARE);
    }

    private static function engaged(Inputs $in, Bolt $bolt): Length
    {
        return $in->has('engagement') ? $in->length('engagement') : Length::millimetres($bolt->thread->diameter);
    }

    /** @return list<Check> whether the thread holds it down */
    private function held(Inputs $in, EstimatedTorque $estimate, ?Material $material): array
    {
        return match (true) {
            null === $material => $in->has('engagement') ? [
                Check::ok('material-needed', 'Say what it screws into too, and the thread is checked.'),
            ] : [],
            $estimate->isCapped() => [Check::watch(
                'capped',
                sprintf(
                    'Held down by the thread in %s: with %s mm engaged it bears %s kN, the bolt would take %s.', $material->value,
                    Show::n(self::engaged($in, $estimate->bolt)->millimetres, 3), Show::n($estimate->preload->kilonewtons(), 3),
                    Show::n($estimate->wanted->kilonewtons(), 3),
                ),
            )],
            default => [Check::ok('thread-holds', sprintf('The thread in %s holds more than that.', $material->value))],
        };
    }

    private function stripLine(Bolt $bolt, Length $engaged, Material $material, Force $strip): Working
    {
        return new Working(
            'Thread strip', sprintf(
                'F = min(%s τ, %s %s Rm) / safety', Thread::INTERNAL, Thread::EXTERNAL, Show::n(Engagement::BOLT_SHEAR_SHARE)
            ),
            sprintf(
                'd = %s, D1 = %s, Le = %s mm, τ = %s, Rm = %s MPa, safety %s', Show::n($bolt->thread->diameter),
                Show::n($bolt->thread->minorDiameter()), Show::n($engaged->millimetres), Show::n($material->shearStrength()),
                Show::n($bolt->grade->tensileStrength()), Show::n(EstimatedTorque::STRIP_SAFETY),
            ),
            sprintf('%s N of %s N', Show::n($strip->newtons / EstimatedTorque::STRIP_SAFETY), Show::n($strip->newtons)),
            'shear areas on the basic profile; τ a working value at the low end',
        );
    }

    /** @return list<Working> */
    private function torqueLines(EstimatedTorque $estimate): array
    {
        $friction = $estimate->bolt->friction;

        $chain = [$friction->typical, $friction->head($friction->typical)];

        return [Working::by(
            $estimate->bolt->preload()->torqueFormula($estimate->preload, ...$chain), 'Torque at typical friction', 'N·m', 'VDI 2230-1',
            with: sprintf(
                'F = %s N, DKm = %s mm, μG = %s, μK = %s', Show::n($estimate->preload->newtons),
                Show::n($estimate->bolt->face->meanDiameter()), Show::n($chain[0]), Show::n($chain[1]),
            ),
        ), Working::by(
            $estimate->bolt->preload()->preloadFormula($estimate->torque, ...$chain), 'Preload it may come to', '',
            'VDI 2230-1, friction classes', with: sprintf('μ from %s to %s', Show::n($friction->high), Show::n($friction->low)),
            result: sprintf('%s to %s N', Show::n($estimate->preloadLow()->newtons), Show::n($estimate->preloadHigh()->newtons)),
        )];
    }

    private function preloadLine(Bolt $bolt, Share $share): Working
    {
        $t = $bolt->thread;

        return Working::by(
            $bolt->preload()->shareFormula($share, $bolt->friction->typical), 'Preload at a share of yield', 'N',
            'VDI 2230-1; thread ISO 68-1, grade ISO 898-1', with: sprintf(
                'ν = %s %%, Rp = %s MPa, AS = %s mm², d2 = %s, dS = %s, P = %s mm, μG = %s', Show::n($share->percent()),
                Show::n($bolt->grade->yieldStress()), Show::n($t->stressArea()), Show::n($t->pitchDiameter()),
                Show::n($t->stressDiameter()), Show::n($t->pitch), Show::n($bolt->friction->typical),
            ),
        );
    }

    /** The torque is the same on a slippery day, and the pull on the thread is not. */
    private function stripCheck(EstimatedTorque $estimate, Force $strip): Check
    {
        $share = $estimate->highOfStrip()->percent();

        return match (true) {
            $share > 100.0 => Check::stop('may-strip', sprintf(
                'At the low end of friction %s N·m pulls %s kN, and the thread strips at %s. Pull %s N·m at most, or know the friction.',
                Show::n($estimate->torque->newtonMetres, 3), Show::n($estimate->preloadHigh()->kilonewtons(), 3),
                Show::n($strip->kilonewtons(), 3), Show::n($estimate->holdingTorque($strip)->newtonMetres, 3),
            )),
            $share > 90.0 => Check::watch(
                'near-strip', sprintf('At the low end of friction the thread bears %.0f %% of what strips it.', $share),
            ),
            default => Check::ok(
                'never-strips', sprintf('Even at the low end of friction the thread bears %.0f %% of what strips it.', $share),
            ),
        };
    }

    private function spreadCheck(EstimatedTorque $estimate): Check
    {
        $share = $estimate->highOfYield();

        return $share->ofOne > 1.0 ? Check::watch(
            'may-yield', 'On a slippery day this torque takes the bolt past yield: a smaller share of yield, or a known lubricant.',
        ) : Check::ok('stays-elastic', sprintf('Even at the low end of friction it stays at %.0f %% of yield.', $share->percent()));
    }
}
