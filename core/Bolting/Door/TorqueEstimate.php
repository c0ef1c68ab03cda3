<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting\Door;

use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\Engagement;
use NimbleKnuckle\Core\Bolting\Material;
use NimbleKnuckle\Core\Bolting\PreloadDrawing;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Quantity\UnitSystem;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\Show;
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
    private const SHARE = 65.0;
    /** The estimate stays this far under the strip force. */
    public const STRIP_SAFETY = 1.25;

    public function name(): string
    {
        return 'torque-estimate';
    }

    public function summary(): string
    {
        return 'No torque spec: estimate one';
    }

    public function fields(): array
    {
        return [
            Bolt::threadField(), Bolt::gradeField(), Bolt::frictionField(), Bolt::headField(),
            Field::quantity('share', 'Share of yield', Kind::Percent, '65 %', '65 % unless there is a reason.')->optional(),
            Field::choice('material', 'Screws into', Material::choices())->optional(),
            Field::quantity('engagement', 'Thread engaged', Kind::Length, '12 mm', 'One diameter is assumed.')->optional(),
        ];
    }

    public function group(): string
    {
        return 'What is the figure';
    }

    public function example(): array
    {
        return ['thread' => 'M8', 'grade' => '8.8', 'friction' => 'oiled', 'material' => 'aluminium casting', 'engagement' => '16 mm'];
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
        return ['plot', PreloadDrawing::of($r, Bolt::read($in))];
    }

    public function compute(Inputs $in): SumResult
    {
        $bolt = Bolt::read($in);
        $share = $in->has('share') ? $in->between('share', Kind::Percent, 5.0, 100.0) : self::SHARE;
        $engaged = $in->has('engagement') ? $in->positive('engagement', Kind::Length) : $bolt->thread->diameter;
        $wanted = $bolt->typicalAt($share / 100);
        $checks = [Check::ok(
            'estimate', 'An estimate from thread and grade, no specification: the maker’s service information goes before it.',
        )];
        $working = [$this->preloadLine($bolt, $share, $wanted)];
        $preload = $wanted;
        $strip = null;
        if ($in->has('material')) {
            $material = Material::parse($in->text('material'));
            $strip = (new Engagement($bolt->thread, $bolt->grade, $material->shearStrength()))->stripForce($engaged);
            $preload = min($wanted, $strip / self::STRIP_SAFETY);
            $working[] = new Working(
                'Thread strip', 'F = min(0.875 π d Le τ, 0.75 π D1 Le 0.6 Rm) / safety',
                sprintf(
                    'd = %s, D1 = %s, Le = %s mm, τ = %s, Rm = %s MPa, safety %s', Show::n($bolt->thread->diameter),
                    Show::n($bolt->thread->minorDiameter()), Show::n($engaged), Show::n($material->shearStrength()),
                    Show::n($bolt->grade->tensileStrength()), Show::n(self::STRIP_SAFETY),
                ),
                sprintf('%s N of %s N', Show::n($strip / self::STRIP_SAFETY), Show::n($strip)),
                'shear areas on the basic profile; τ a working value at the low end',
            );
            $checks[] = $preload < $wanted
                ? Check::watch(
                    'capped',
                    sprintf(
                        'Held down by the thread in %s: with %s mm engaged it bears %s kN, the bolt would take %s.',
                        $material->value, Show::n($engaged, 3), Show::n($preload / 1000, 3), Show::n($wanted / 1000, 3),
                    ),
                )
                : Check::ok('thread-holds', sprintf('The thread in %s holds more than that.', $material->value));
        } elseif ($in->has('engagement')) {
            $checks[] = Check::ok('material-needed', 'Say what it screws into too, and the thread is checked.');
        }
        $torque = $bolt->typicalTorque($preload);
        [$low, $high] = $this->spread($bolt, $torque);
        $friction = $bolt->friction;
        $working[] = new Working(
            'Torque at typical friction', 'M = F (0.16 P + 0.58 d2 μG + DKm/2 μK)',
            sprintf(
                'F = %s N, DKm = %s mm, μG = %s, μK = %s', Show::n($preload), Show::n($bolt->face->meanDiameter()),
                Show::n($friction->typical), Show::n($friction->head($friction->typical)),
            ),
            sprintf('%s N·m', Show::n($torque)), 'VDI 2230-1',
        );
        $working[] = new Working(
            'Preload it may come to', 'F = M / (0.16 P + 0.58 d2 μG + DKm/2 μK)',
            sprintf('μ from %s to %s', Show::n($friction->high), Show::n($friction->low)),
            sprintf('%s to %s N', Show::n($low), Show::n($high)), 'VDI 2230-1, friction classes',
        );
        $checks[] = $this->spreadCheck($bolt, $high);
        if (null !== $strip) {
            $checks[] = $this->stripCheck($bolt, $high, $strip, $torque);
        }

        return new SumResult($this->name(), $in->raw, [
            'torque' => Value::of($torque, Unit::NewtonMetre->value),
            'preload' => Value::of($preload, Unit::Newton->value),
            'yield_torque' => Value::of($bolt->typicalTorque($bolt->typicalAt(1.0)), Unit::NewtonMetre->value),
            'preload_low' => Value::of($low, Unit::Newton->value),
            'preload_high' => Value::of($high, Unit::Newton->value),
        ], [...$checks, ...$bolt->assumed], $working);
    }

    private function preloadLine(Bolt $bolt, float $share, float $preload): Working
    {
        $t = $bolt->thread;

        return new Working(
            'Preload at a share of yield', 'F = ν Rp AS / √(1 + 3 [1.5 (d2/dS)(P/(π d2) + 1.155 μG)]²)',
            sprintf(
                'ν = %s %%, Rp = %s MPa, AS = %s mm², d2 = %s, dS = %s, P = %s mm, μG = %s', Show::n($share),
                Show::n($bolt->grade->yieldStress()), Show::n($t->stressArea()), Show::n($t->pitchDiameter()),
                Show::n($t->stressDiameter()), Show::n($t->pitch), Show::n($bolt->friction->typical),
            ),
            sprintf('%s N', Show::n($preload)), 'VDI 2230-1; thread ISO 68-1, grade ISO 898-1',
        );
    }

    /** @return array{float, float} preload in N at the high and the low end of friction */
    private function spread(Bolt $bolt, float $torque): array
    {
        $f = $bolt->friction;

        return [
            $bolt->preload()->fromTorque($torque, $f->high, $f->head($f->high)),
            $bolt->preload()->fromTorque($torque, $f->low, $f->head($f->low)),
        ];
    }

    /** The torque is the same on a slippery day, and the pull on the thread is not. */
    private function stripCheck(Bolt $bolt, float $high, float $strip, float $torque): Check
    {
        $f = $bolt->friction;
        $share = 100 * $high / $strip;
        $least = $bolt->preload()->torqueFor($strip / self::STRIP_SAFETY, $f->low, $f->head($f->low));

        return match (true) {
            $share > 100.0 => Check::stop('may-strip', sprintf(
                'At the low end of friction %s N·m pulls %s kN, and the thread strips at %s. Pull %s N·m at most, or know the friction.',
                Show::n($torque, 3), Show::n($high / 1000, 3), Show::n($strip / 1000, 3), Show::n($least, 3),
            )),
            $share > 90.0 => Check::watch(
                'near-strip', sprintf('At the low end of friction the thread bears %.0f %% of what strips it.', $share),
            ),
            default => Check::ok(
                'never-strips', sprintf('Even at the low end of friction the thread bears %.0f %% of what strips it.', $share),
            ),
        };
    }

    private function spreadCheck(Bolt $bolt, float $high): Check
    {
        $yield = $bolt->preload()->atShareOfYield(1.0, $bolt->friction->low);

        return $high > $yield
            ? Check::watch(
                'may-yield',
                'On a slippery day this torque takes the bolt past yield: a smaller share of yield, or a known lubricant.',
            )
            : Check::ok('stays-elastic', sprintf('Even at the low end of friction it stays at %.0f %% of yield.', 100 * $high / $yield));
    }
}
