<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate\Door;

use NimbleKnuckle\Core\Gate\ActuatorTest;
use NimbleKnuckle\Core\Gate\PumpDrawing;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/** The door of a wastegate actuator on a hand pump: kPa and mm in, where it cracks and what is wrong out. */
final readonly class ActuatorTestSum implements Sum
{
    public function about(): About
    {
        return new About('actuator-test', 'Judge a gate actuator', 'Gate and boost', static fn (): array => [
            Field::text(
                'samples', 'Pumped up, then let down', '0 0; 40 0; 60 1.6; 90 5.6; 60 1.9; 0 0', 'kPa and mm of the rod, a pair each.',
            ),
            Field::quantity('label', 'It should crack at', Kind::Pressure, '48 kPa')->optional(),
            Field::quantity('full', 'It should move', Kind::Length, '10 mm')->optional(),
            Field::text('hold', 'Held', '90 88 20', 'kPa at first, kPa then, after so many seconds.')->optional(),
        ], ['samples' => '0 0; 20 0; 40 0; 48 0; 55 1; 63 2; 70 3; 78 4; 86 5; 93 6; 100 7; 110 7; 100 7; 90 6; 75 4; 60 2; 45 0; 0 0',
            'label', 'full' => '7 mm', 'hold' => '100 99 20']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            str_replace('-', ' ', ucfirst((string) ($r->entries('finding')[0] ?? ''))),
            $r->has('cracks') ? [Headline::figure($r->number('cracks'), 'kPa')] : [], $r->has('rate') ? sprintf(
                'to crack it; %s kPa a mm, %s mm of travel', Show::n($r->number('rate'), 3), Show::n($r->number('travel'), 3),
            ) : 'the rod stands still',
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        $samples = PumpReading::samples($in, 'samples');

        return ['plot', PumpDrawing::of($samples, self::test($in), PumpReading::maybe($in, 'label', Kind::Pressure, 1.0, 400.0))];
    }

    private static function test(Inputs $in): ActuatorTest
    {
        return ActuatorTest::of(
            PumpReading::samples($in, 'samples'), PumpReading::maybe($in, 'label', Kind::Pressure, 1.0, 400.0),
            PumpReading::maybe($in, 'full', Kind::Length, 0.5, 60.0), PumpReading::hold($in),
        );
    }

    public function compute(Inputs $in): SumResult
    {
        $test = self::test($in);

        return new SumResult($this->about()->name, $in->raw, array_filter([
            'finding' => Value::names([$test->finding->value]),
            'cracks' => null === $test->cracks ? null : Value::of($test->cracks, Unit::Kilopascal->value),
            'rate' => null === $test->rate ? null : Value::of($test->rate, 'kPa/mm'),
            'travel' => Value::of($test->travel, Unit::Millimetre->value),
            'hysteresis' => null === $test->hysteresis ? null : Value::of($test->hysteresis, Unit::Kilopascal->value),
            'lost' => null === $test->lost ? null : Value::of(100 * $test->lost, Unit::Percent->value),
        ]), [ActuatorSaid::of($test)], [
            new Working(
                'Cracks', 'where the moving piece meets the resting one, going up', sprintf(
                    '%d samples', count(PumpReading::samples($in, 'samples')),
                ),
                null === $test->cracks ? 'never' : Show::n($test->cracks, 3).' kPa', 'straight pieces by least squares',
            ),
            new Working(
                'Between up and down', 'mean at like travel', 'from a fifth to four fifths of its way',
                null === $test->hysteresis ? 'not let down' : Show::n(
                    $test->hysteresis, 3,
                ).' kPa', 'over 15 % of where it cracks it sticks',
            ),
        ]);
    }
}
