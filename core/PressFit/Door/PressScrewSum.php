<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\PressFit\Door;

use NimbleKnuckle\Core\Bolting\Material;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\PressFit\PressCurve;
use NimbleKnuckle\Core\PressFit\PressScrew;
use NimbleKnuckle\Core\PressFit\ScrewDrawing;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Entries;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/** The door of the screw that presses: N and mm in, N·m and turns out, and how a curve is judged. */
final readonly class PressScrewSum implements Sum
{
    private const FRICTION = 0.12;
    /** mm that puller bolts may differ by. */
    private const ALIKE = 0.5;

    public function about(): About
    {
        return new About('press-screw', 'Press it on with a screw', 'What turns', static fn (): array => [
            Field::quantity('force', 'Force', Kind::Force, '26.2 kN', 'From the press fit.')->within(1.0, 1.0e6),
            Field::text('screw', 'Screw', 'M16x2'),
            Field::text('material', 'It screws into', 'steel', 'The end of the shaft.'),
            Field::text('friction', 'Friction', '0.12', 'Of thread and face; or thread; face.')->optional(),
            Field::text(
                'face', 'Mean radius of the nut’s face', '10 mm',
                'A plain hexagon where nothing is said; a bearing under it: its own friction behind, “12 mm 0.02”.',
            )->optional(),
            Field::quantity('travel', 'Way until it seats', Kind::Length, '28 mm')->within(0.1, 300.0),
            Field::quantity('engaged', 'Screw engaged', Kind::Length, '24 mm')->within(0.5, 200.0)->optional(),
            Field::text('bolts', 'Puller bolts', 'M8 12 mm; M8 12 mm; M8 11.8 mm', 'Thread and how far each is in.')->optional(),
            Field::text('curve', 'Curve', '0 20; 5 66; 27 68; 28 68; 28.2 150', 'mm and N·m, as it was pulled.')->optional(),
        ], ['bolts']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline('At the nut', [Headline::figure($r->number('torque'), 'N·m')], Headline::joined(
            sprintf('%s turns', Show::n($r->number('turns'), 3)),
            ['seated' => 'seated', 'not-seated' => 'not seated', 'picking-up' => 'picking up', 'free' => 'too easy'][
                (string) ($r->entries('end')[0] ?? '')
            ] ?? '',
        ), true);
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['plot', ScrewDrawing::of($r->number('torque'), $in->number('travel', Kind::Length), self::curve($in))];
    }

    public function compute(Inputs $in): SumResult
    {
        $force = Force::newtons($in->number('force', Kind::Force));
        try {
            $thread = Thread::parse($in->text('screw'));
        } catch (InvalidInput $e) {
            throw InvalidInput::in('screw', $e->getMessage());
        }
        $material = Material::parse($in->text('material'));
        [$face, $friction] = self::face($in);
        $travel = $in->length('travel');
        $engaged = $in->has('engaged') ? $in->length('engaged') : Length::millimetres($thread->diameter);
        $press = PressScrew::of($force, $thread, $material, $friction, $face, $travel, $engaged);
        $curve = self::curve($in);
        $judged = [] === $curve ? null : PressCurve::judge($curve, $press->torque->value, $travel->millimetres);
        $values = [
            'torque' => Value::of($press->torque->value, Unit::NewtonMetre->value), 'turns' => Value::of(
                $press->turns->value, Unit::One->value,
            ),
            'strips' => Value::of($press->strips->newtons, Unit::Newton->value),
            'margin' => Value::of($press->strips->over($force), Unit::One->value),
        ] + (null === $judged ? [] : ['end' => Value::names([$judged->end->value])]);

        return new SumResult($this->about()->name, $in->raw, $values, [
            self::holds('screw', $press->strips, $force, $thread, $engaged->millimetres), ...self::bolts($in, $material, $force),
            ...(null === $judged ? [] : PressSaid::of($judged)),
        ], [
            Working::by($press->torque, 'Torque at the nut', 'N·m', 'VDI 2230', with: sprintf(
                'F %s N, P %s mm, μ %s and %s', Show::n($force->newtons), Show::n($thread->pitch), Show::n($friction[0]),
                Show::n($friction[1]),
            )),
            Working::by($press->turns, 'Turns', '', 'pitch, ISO 261'),
            new Working(
                'Thread strips at', 'the weaker side over what is engaged', Show::n($engaged->millimetres).' mm',
                Show::n($press->strips->newtons).' N', 'shear areas on the basic profile; strengths are working values',
            ),
        ]);
    }

    /** @return array{?Length, array{float, float}} */
    private static function face(Inputs $in): array
    {
        $friction = $in->has('friction') ? PartReading::pair($in, 'friction', Kind::Number, self::FRICTION) : [
            self::FRICTION, self::FRICTION,
        ];
        foreach ($friction as $one) {
            $one > 0.0 && $one <= 0.6 || throw InvalidInput::in('friction', 'Friction is over 0 and no more than 0.6.');
        }
        if (!$in->has('face')) {
            return [null, $friction];
        }
        $face = (new Entries(['radius' => Kind::Length, 'friction?' => Kind::Number]))->one($in, 'face');
        $face->number('radius') > 0.0 && $face->number('radius') < 200.0 || throw InvalidInput::in(
            'face', 'The mean radius is over 0 mm and under 200.',
        );

        return [Length::millimetres($face->number('radius')), [$friction[0], $face->maybe('friction') ?? $friction[1]]];
    }

    private static function holds(string $what, Force $strips, Force $force, Thread $thread, float $engaged): Check
    {
        return match (true) {
            $strips->newtons < $force->newtons => Check::stop($what.'-strips', sprintf(
                'The %s strips at %s kN, and %s kN are wanted: deeper, or a larger one.', $what, Show::n($strips->kilonewtons(), 3),
                Show::n($force->kilonewtons(), 3),
            )),
            $engaged < $thread->diameter - 1e-9 => Check::stop($what.'-short', sprintf(
                'The %s is in by %s mm: less than its diameter of %s mm.', $what, Show::n($engaged, 3), Show::n($thread->diameter, 3),
            )),
            default => Check::ok($what, sprintf('The %s holds %s times what is wanted.', $what, Show::n($strips->over($force), 2))),
        };
    }

    /** @return list<Check> */
    private static function bolts(Inputs $in, Material $material, Force $force): array
    {
        if (!$in->has('bolts')) {
            return [];
        }
        $checks = [];
        $depths = [];
        $entries = self::entries($in);
        foreach ($entries as [$thread, $engaged]) {
            $depths[] = $engaged;
            $each = $force->times(1 / count($entries));
            $checks[] = self::holds(
                'puller bolt', PressScrew::engagement($thread, $material)->stripForce(Length::millimetres($engaged)), $each,
                $thread, $engaged,
            );
        }
        $bad = array_values(array_filter($checks, static fn (Check $one): bool => 'puller bolt' !== $one->code));
        $checks = [] === $bad ? [$checks[0]] : $bad;
        if (max($depths) - min($depths) > self::ALIKE) {
            $checks[] = Check::stop(
                'uneven',
                sprintf('The puller bolts differ by %s mm: it goes on crooked. All as deep.', Show::n(max($depths) - min($depths), 2)),
            );
        }

        return $checks;
    }

    /** @return non-empty-list<array{Thread, float}> */
    private static function entries(Inputs $in): array
    {
        $bolts = [];
        foreach ($in->items('bolts') as $i => $item) {
            $text = is_array($item) && isset($item['thread'], $item['engaged']) && is_scalar($item['thread']) && is_scalar($item['engaged'])
                ? $item['thread'].' '.$item['engaged'] : (is_string($item) ? trim($item) : '');
            1 === preg_match('~\A(?<thread>\S+)\s+(?<engaged>.+)\z~u', $text, $m) || throw InvalidInput::in(
                'bolts', sprintf('Bolt %d is its thread and how far it is in: “M8 12 mm”.', $i + 1),
            );
            try {
                $thread = Thread::parse($m['thread']);
                $engaged = (new Entries(['engaged' => Kind::Length]))->one(
                    Inputs::of(['bolts' => $m['engaged']], [Field::text('bolts', '', '')]), 'bolts',
                )->number('engaged');
            } catch (InvalidInput $e) {
                throw InvalidInput::in('bolts', sprintf('Bolt %d: %s', $i + 1, $e->getMessage()));
            }
            $engaged > 0.0 || throw InvalidInput::in('bolts', sprintf('Bolt %d is in by more than nothing.', $i + 1));
            $bolts[] = [$thread, $engaged];
        }

        return $bolts;
    }

    /** @return list<array{float, float}> by the way */
    private static function curve(Inputs $in): array
    {
        if (!$in->has('curve')) {
            return [];
        }
        $samples = array_map(static fn (array $row): array => [$row[0], $row[1] ?? 0.0], $in->rows('curve', 2, 2));
        foreach ($samples as $i => [$way, $torque]) {
            $torque >= 0.0 || throw InvalidInput::in('curve', sprintf('Row %d: a torque is not less than nothing.', $i + 1));
            0 === $i || $way >= $samples[$i - 1][0] || throw InvalidInput::in(
                'curve', sprintf('Row %d goes back: give them by the way.', $i + 1),
            );
        }

        return $samples;
    }
}
