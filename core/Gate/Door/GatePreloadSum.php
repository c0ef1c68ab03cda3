<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate\Door;

use NimbleKnuckle\Core\Gate\GatePreload;
use NimbleKnuckle\Core\Gate\RodDrawing;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Pressure;
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

/** The door of a wastegate’s rod: kPa, mm and turns in, turns and kPa out; also the way back. */
final readonly class GatePreloadSum implements Sum
{
    /** mm that one instruction may differ by in its two ways of saying it. */
    private const ALIKE = 0.15;

    public function about(): About
    {
        return new About('gate-preload', 'How far to shorten the gate’s rod', 'Gate and boost', static fn (): array => [
            Field::quantity(
                'cracks', 'Cracks with no preload', Kind::Pressure, '48 kPa', 'By a hand pump; or give that test below.',
            )->within(1.0, 400.0)->optional(),
            Field::quantity('rate', 'And kPa more for each mm', Kind::Number, '7.5')->within(0.1, 200.0)->optional(),
            Field::text('points', 'Or the pump test', '0 0; 40 0; 48 0; 63 2; 78 4', 'kPa and mm, going up.')->optional(),
            Field::quantity('pitch', 'Pitch of the rod', Kind::Length, '1 mm')->within(0.2, 3.0),
            Field::quantity(
                'step', 'Turns the end can be moved by', Kind::Number, '1', '½ where its eye can be turned over.'
            )->within(0.1, 2.0)->optional(),
            Field::quantity(
                'wanted', 'It should crack at', Kind::Pressure, '70 kPa', 'Where the gate begins to open, not the boost it ends at.',
            )->within(1.0, 400.0)
                ->optional(),
            Field::quantity('turns', 'Or: it was turned by', Kind::Number, '3')->within(0.0, 40.0)->optional(),
            Field::quantity('travel', 'Rod can move', Kind::Length, '14 mm')->within(0.5, 60.0)->optional(),
            Field::quantity('needed', 'To open it fully', Kind::Length, '9 mm')->within(0.1, 60.0)->optional(),
            Field::quantity('stated', 'The instruction says', Kind::Length, '0.080 in')->within(0.0, 60.0)->optional(),
            Field::quantity('stated_turns', 'Or in turns', Kind::Number, '2')->within(0.0, 40.0)->optional(),
        ], ['cracks', 'rate', 'step' => '0.5', 'wanted', 'travel', 'needed']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline('Shorten it by', [Headline::figure($r->number('turns'), 'turns')], Headline::joined(
            sprintf('%s mm', Show::n($r->number('preload'), 3)), sprintf('it cracks at %s kPa then', Show::n($r->number('cracks_then'), 3)),
        ));
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        [$bare, $rate] = self::spring($in);

        return ['plot', RodDrawing::of(
            $bare->kilopascals, $rate * $in->number('pitch', Kind::Length), self::step($in), $r->number('turns'),
            $in->has('turns') ? null : $in->number('wanted', Kind::Pressure),
        )];
    }

    public function compute(Inputs $in): SumResult
    {
        [$bare, $rate] = self::spring($in);
        $pitch = $in->length('pitch');
        $needed = $in->has('needed') ? $in->length('needed') : null;
        $in->has('turns') || $in->has('wanted') || throw InvalidInput::missing('wanted', '70 kPa; or the turns it was given');
        $set = $in->has('turns')
            ? GatePreload::turned($in->number('turns', Kind::Number), $bare, $rate, $pitch, $needed)
            : GatePreload::toCrackAt($in->pressure('wanted'), $bare, $rate, $pitch, self::step($in), $needed);

        return new SumResult($this->about()->name, $in->raw, array_filter([
            'turns' => Value::of($set->turns, Unit::One->value), 'preload' => Value::of(
                $set->preload->millimetres, Unit::Millimetre->value,
            ),
            'cracks_then' => Value::of($set->cracks->value, Unit::Kilopascal->value),
            'full_open' => null === $set->fullOpen ? null : Value::of($set->fullOpen->kilopascals, Unit::Kilopascal->value),
        ]), [...self::judged($set, $in, $needed), ...self::stated($in, $pitch)], [
            Working::by(
                $set->exact, 'Turns', '', 'a straight spring; to the nearest step', with: sprintf(
                    'cracks %s kPa, %s kPa a mm, pitch %s mm, steps of %s', Show::n($bare->kilopascals), Show::n($rate),
                    Show::n($pitch->millimetres), Show::n(self::step($in)),
                ),
                result: sprintf('%s, so %s', $set->exact->said('', 3), Show::n($set->turns, 3)),
            ),
            Working::by(
                $set->cracks, 'Cracks then', 'kPa', 'the boost an engine comes to is higher: exhaust pushes the valve shut or open too', 3,
                Show::n($set->preload->millimetres, 3).' mm',
            ),
        ]);
    }

    private static function step(Inputs $in): float
    {
        return $in->has('step') ? $in->number('step', Kind::Number) : 1.0;
    }

    /** @return array{Pressure, float} where it cracks, and kPa a mm */
    private static function spring(Inputs $in): array
    {
        if ($in->has('points')) {
            $test = PumpReading::test($in, 'points');
            null !== $test->cracks && null !== $test->rate || throw InvalidInput::in('points', 'The rod does not move in this test.');

            return [Pressure::kilopascals($test->cracks), $test->rate];
        }
        foreach (['cracks' => '48 kPa', 'rate' => '7.5 kPa a mm'] as $field => $example) {
            $in->has($field) || throw InvalidInput::missing($field, $example);
        }

        return [$in->pressure('cracks'), $in->number('rate', Kind::Number)];
    }

    /** @return non-empty-list<Check> */
    private static function judged(GatePreload $set, Inputs $in, ?Length $needed): array
    {
        $checks = [match (true) {
            $set->turns < 0.0 => Check::stop('too-hard', 'It cracks later than that already: another spring, not a longer rod.'),
            $set->turns < 1e-9 => Check::watch('no-preload', 'No preload: the valve chatters on its seat. At least a step of it.'),
            default => Check::ok('set', sprintf('Count %s turns, hold the end, then its locknut.', Show::n($set->turns, 3))),
        }];
        if ($in->has('travel') && null !== $needed) {
            $left = $in->length('travel')->millimetres - $set->preload->millimetres - $needed->millimetres;
            $checks[] = $left < 0.0
                ? Check::stop('too-far', sprintf('The rod ends %s mm before the gate is open: boost runs away.', Show::n(-$left, 2)))
                : Check::ok('opens', sprintf('%s mm of the rod are left when the gate is open.', Show::n($left, 2)));
        }

        return $checks;
    }

    /** @return list<Check> whether mm, inches and turns of one instruction are one */
    private static function stated(Inputs $in, Length $pitch): array
    {
        if (!$in->has('stated') || !$in->has('stated_turns')) {
            return [];
        }
        $mm = $in->number('stated', Kind::Length);
        $turned = $in->number('stated_turns', Kind::Number) * $pitch->millimetres;

        return [abs($mm - $turned) > self::ALIKE
            ? Check::watch('disagree', sprintf(
                'The instruction says %s mm, and its turns are %s mm with this pitch: the turns go with the thread it was written for.',
                Show::n($mm, 3), Show::n($turned, 3),
            ))
            : Check::ok('agrees', sprintf('%s mm and the turns are one.', Show::n($mm, 3)))];
    }
}
