<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening\Door;

use NimbleKnuckle\Core\Bolting\BoltFields;
use NimbleKnuckle\Core\Bolting\SpringFields;
use NimbleKnuckle\Core\Bolting\Springs;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Torque;
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
use NimbleKnuckle\Core\Tightening\AngleDrawing;
use NimbleKnuckle\Core\Tightening\TurnByHand;

/**
 * Without a wrench that fits: snug by hand, then the part of a turn that gives the preload the figure would give.
 * θ = 360 (F − Fsnug)(1/kb + 1/km) / P. Torques in N·m, angles in degrees, forces in N. Source: as angle-tighten.
 */
final readonly class PartTurn implements Sum
{
    /** Twelfths of a flat that have a name. */
    private const PARTS = [
        0 => '', 2 => 'a sixth', 3 => 'a quarter', 4 => 'a third', 6 => 'half', 8 => 'two thirds', 9 => 'three quarters', 12 => '',
    ];
    private const SIGNS = [
        '' => '', 'a sixth' => '⅙', 'a quarter' => '¼', 'a third' => '⅓', 'half' => '½', 'two thirds' => '⅔',
        'three quarters' => '¾',
    ];

    public function about(): About
    {
        return new About('part-turn', 'Snug plus a part turn', 'How to tighten it', static fn (): array => [
            Field::quantity('target', 'The figure', Kind::Torque, '25 N·m', 'What a wrench would be set to.'),
            BoltFields::thread(), BoltFields::grade(), ...SpringFields::all(), BoltFields::friction(),
            Field::quantity('snug', 'Snug by hand is about', Kind::Torque, '6 N·m', 'A quarter of the figure is assumed.')->optional(),
            Field::quantity(
                'seal_travel', 'A soft seal takes up', Kind::Length, '0.69 mm',
                'How far the cover comes down on it before metal meets metal.',
            )->within(0.0, 20.0)->optional(),
        ], ['target' => '20 N·m', 'grade' => '8.8', 'shank' => '10 mm', 'threaded' => '15 mm', 'friction']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Snug, then', [Headline::figure($r->number('angle'), '°')],
            sprintf(
                'gives about %s kN, %s to %s by feel', Headline::kilo($r->number('preload')),
                Headline::kilo($r->number('preload_low')), Headline::kilo($r->number('preload_high')),
            ),
            true,
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['head', AngleDrawing::of(Angle::degrees($r->number('angle')))];
    }

    public function compute(Inputs $in): SumResult
    {
        $bolt = BoltFields::read($in);
        $springs = SpringFields::read($in, $bolt);
        $target = $in->torque('target');
        $snug = $in->has('snug') ? $in->torque('snug') : $target->times(TurnByHand::SNUG_SHARE / 100);
        $snug->newtonMetres < $target->newtonMetres || throw InvalidInput::in(
            'snug', 'Snug is less than the figure: nothing is left to turn.',
        );
        $turn = TurnByHand::of(
            $bolt, $springs, $target, $snug, $in->has('seal_travel') ? $in->length('seal_travel') : Length::millimetres(0.0),
        );

        return new SumResult($this->about()->name, $in->raw, [
            'angle' => Value::of($turn->angle()->degrees, Unit::Degree->value),
            'turns' => Value::of($turn->angle()->degrees / 360, 'turn'),
            'preload' => Value::of($turn->preload->newtons, Unit::Newton->value),
            'preload_low' => Value::of($turn->preloadLow()->newtons, Unit::Newton->value),
            'preload_high' => Value::of($turn->preloadHigh()->newtons, Unit::Newton->value),
            'utilisation' => Value::of($turn->ofYield()->percent(), Unit::Percent->value),
        ] + ($turn->seal->value > 0.0 ? ['seal_angle' => Value::of($turn->seal->value, Unit::Degree->value)] : []), [
            ...$this->checks($turn), ...BoltFields::assumed($in),
        ], $this->working($turn, $springs, $target, $in));
    }

    /** @return list<Check> */
    private function checks(TurnByHand $turn): array
    {
        $angle = $turn->angle()->degrees;

        return [
            ...($turn->seal->value > 0.0 ? [Check::ok('seal', sprintf(
                '%s° of it squeeze the seal: count from where the cover first touches it.', Show::n($turn->seal->value, 3),
            ))] : []),
            Check::watch('by-hand', sprintf(
                'A stand-in for a wrench: snug felt from half to one and a half times as hard still gives %s to %s kN.',
                Show::n($turn->preloadLow()->kilonewtons(), 3), Show::n($turn->preloadHigh()->kilonewtons(), 3),
            )),
            $this->judged($turn->ofYield()->percent()),
            Check::ok('nearest', sprintf(
                '%s°, that is %s: mark head and part, turn without stopping.', Show::n($angle, 3), self::inWords($angle),
            )),
        ];
    }

    /** @return list<Working> */
    private function working(TurnByHand $turn, Springs $springs, Torque $target, Inputs $in): array
    {
        [$pitch, $friction] = [Show::n($turn->bolt->thread->pitch), $turn->bolt->friction->typical];

        return [
            Working::by(
                $turn->bolt->preload()->preloadFormula($target, $friction, $turn->bolt->friction->head($friction)),
                'Preload the figure gives', 'N', 'VDI 2230-1',
                with: sprintf('M = %s N·m, μ = %s', Show::n($target->newtonMetres), Show::n($friction)),
            ),
            new Working(
                'Preload of snug', 'the same with the snug torque', sprintf('M = %s N·m', Show::n($turn->snugTorque->newtonMetres)),
                sprintf('%s N', Show::n($turn->snug->newtons)), 'VDI 2230-1',
            ),
            Working::by(
                $turn->clamping, 'Angle', '°', 'displacement of the thread',
                with: $turn->clamping->listed('kb', 'km').' N/mm, P = '.$pitch.' mm',
            ),
            ...($turn->seal->value > 0.0 ? [
                Working::by($turn->seal, 'Turn that squeezes the seal', '°', 'lead of the thread', with: sprintf(
                    's = %s mm, P = %s mm', Show::n($in->length('seal_travel')->millimetres), $pitch,
                )),
            ] : []),
        ];
    }

    private function judged(float $share): Check
    {
        return match (true) {
            $share > 100.0 => Check::stop(
                'past-yield', 'The figure is past the yield of this thread: look for a slip before turning anything.',
            ),
            $share > 80.0 => Check::watch('near-yield', sprintf('%.0f %% of yield: too near for a turn by eye.', $share)),
            default => Check::ok('within-yield', sprintf('%.0f %% of yield.', $share)),
        };
    }

    /** By the flats of a hexagon, 60° each: the nearest fraction, and on which side of it where it is not that to a twentieth. */
    public static function inWords(float $angle): string
    {
        $flats = $angle / 60;
        $whole = floor($flats);
        $near = 0.0;
        foreach (array_keys(self::PARTS) as $twelfths) {
            $near = abs($whole + $twelfths / 12 - $flats) < abs($near - $flats) - 1e-9 ? $whole + $twelfths / 12 : $near;
        }
        if ($near < 1e-9) {
            return 'less than a sixth of a flat';
        }
        $part = self::PARTS[(int) round(12 * ($near - floor($near + 1e-9)))];
        $words = match (true) {
            $near < 1 => $part.' of a flat',
            abs($near - 1.0) < 1e-9 => 'one flat',
            default => sprintf('%d%s flats', (int) floor($near + 1e-9), self::SIGNS[$part]),
        };
        $off = $flats / $near - 1;

        return (abs($off) <= 0.05 ? '' : ($off > 0 ? 'a little over ' : 'a little under ')).str_replace('half of a', 'half a', $words);
    }
}
