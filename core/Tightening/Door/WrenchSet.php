<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening\Door;

use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
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
use NimbleKnuckle\Core\Tightening\WrenchDrawing;
use NimbleKnuckle\Core\Tightening\WrenchSetting;

/**
 * What to set a torque wrench to when an adapter changes its lever: setting = T·L / (L + A cos φ).
 * Torques in N·m, lengths in mm, angles in degrees. Source: moments about the fastener (statics).
 */
final readonly class WrenchSet implements Sum
{
    public function about(): About
    {
        return new About('wrench-set', 'Wrench setting with an adapter', 'How to tighten it', static fn (): array => [
            Field::quantity('target', 'Torque at the bolt', Kind::Torque, '9 N·m'),
            Field::quantity('lever', 'Handle centre to drive', Kind::Length, '220 mm', 'From the middle of your hand to the square.'),
            Field::quantity(
                'adapter', 'Drive to bolt', Kind::Length, '32 mm',
                'From the square to the middle of the bolt; 0 without an adapter.',
            ),
            Field::quantity(
                'adapter_angle', 'Adapter angle', Kind::Angle, '0 deg', '0 straight out, 90 square to the handle, 180 folded back.',
            )->within(0.0, 180.0)->optional(),
            Field::quantity(
                'joint_angle', 'Wobble or universal joint', Kind::Angle, '10 deg', 'How far it is bent.'
            )->within(0.0, 90.0)->optional(),
        ], ['adapter_angle' => '0']);
    }

    public function headline(SumResult $r): Headline
    {
        $units = UnitSystem::heardIn(...array_values(array_filter($r->inputs, is_string(...))));

        return Headline::torque('Set the wrench to', $r->number('setting'), $units, sprintf('factor %.3f', $r->number('factor')));
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return [
            'wrench',
            WrenchDrawing::of(
                $in->number('lever', Kind::Length), $in->number('adapter', Kind::Length),
                $in->has('adapter_angle') ? $in->number('adapter_angle', Kind::Angle) : 0.0,
            ),
        ];
    }

    public function compute(Inputs $in): SumResult
    {
        $setting = WrenchSetting::of(
            $in->torque('target'), $in->length('lever'), Length::millimetres($in->number('adapter', Kind::Length)),
            $in->has('adapter_angle') ? $in->angle('adapter_angle') : Angle::degrees(0.0),
        );
        $setting->isWorkable() || throw InvalidInput::in(
            'adapter',
            sprintf(
                'Folded back at %s° the adapter takes the bolt to the handle (%s mm of lever left): turn it out or use a longer wrench.',
                Show::n($setting->adapterAngle->degrees), Show::n(max(0.0, $setting->reach->millimetres)),
            ),
        );

        return $this->said($setting, $in->raw, $this->joint($in));
    }

    /**
     * What was calculated elsewhere, with its working.
     *
     * @param array<string, mixed> $raw
     * @param list<Check> $more
     */
    public function said(WrenchSetting $setting, array $raw = [], array $more = []): SumResult
    {
        return new SumResult($this->about()->name, $raw, [
            'setting' => Value::of($setting->setting()->newtonMetres, Unit::NewtonMetre->value),
            'factor' => Value::of($setting->factor(), 'ratio'),
        ], [$this->lever($setting->adapter->millimetres, $setting->adapterAngle->degrees, $setting->factor()), ...$more], [
            Working::by($setting->reachFormula(), 'Lever at the bolt', 'mm', 'moments about the fastener'),
            Working::by($setting->settingFormula(), 'Setting', 'N·m', 'moments about the fastener'),
        ]);
    }

    private function lever(float $adapter, float $angle, float $factor): Check
    {
        return match (true) {
            0.0 === $adapter => Check::ok(
                'no-adapter', 'Nothing lengthens the lever: set the figure itself. A straight extension in line changes nothing.',
            ),
            abs($factor - 1) < 0.002 => Check::ok(
                'square', sprintf('At %s° the adapter hardly changes the lever: set the figure itself.', Show::n($angle)),
            ),
            $factor < 1 => Check::ok(
                'longer', sprintf('The adapter lengthens the lever: set %.1f %% less than the figure.', (1 - $factor) * 100),
            ),
            default => Check::ok(
                'shorter', sprintf('The adapter shortens the lever: set %.1f %% more than the figure.', ($factor - 1) * 100),
            ),
        };
    }

    /** @return list<Check> */
    private function joint(Inputs $in): array
    {
        if (!$in->has('joint_angle')) {
            return [];
        }
        $bend = $in->number('joint_angle', Kind::Angle);

        return [match (true) {
            $bend > 30.0 => Check::stop(
                'joint-bent',
                sprintf('A joint bent %s° swings the torque with every turn: do not tighten to a figure with it.', Show::n($bend)),
            ),
            $bend > 15.0 => Check::watch(
                'joint-bent', sprintf('A joint bent %s° makes the torque swing: straighten it under 15°.', Show::n($bend)),
            ),
            default => Check::ok('joint-straight', sprintf('A joint bent %s° passes the torque on.', Show::n($bend))),
        }];
    }
}
