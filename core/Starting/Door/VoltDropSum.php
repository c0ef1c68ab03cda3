<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Starting\Door;

use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Starting\LegDrawing;
use NimbleKnuckle\Core\Starting\VoltDrop;
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

/** The door of the starter’s circuit: V, A and °C in, V, mΩ and percent out. */
final readonly class VoltDropSum implements Sum
{
    private const USUAL = 20.0;

    public function about(): About
    {
        return new About('volt-drop', 'Where the starter’s volts go', 'Spark and starting', static fn (): array => [
            Field::quantity('rest', 'Battery posts, at rest', Kind::Voltage, '12.6 V'),
            Field::quantity('crank', 'Battery posts, cranking', Kind::Voltage, '10.4 V'),
            Field::quantity('stud', 'Solenoid’s battery stud to starter case, cranking', Kind::Voltage, '9.3 V'),
            Field::quantity('ground', 'Starter case to battery minus, cranking', Kind::Voltage, '0.35 V'),
            Field::quantity(
                'current', 'Current', Kind::Current, '180 A', 'By a clamp, where there is one.'
            )->within(5.0, 3000.0)->optional(),
            Field::quantity('temperature', 'Battery is', Kind::Temperature, '20 °C')->within(-40.0, 80.0)->optional(),
            Field::text('kind', 'Battery', 'flooded', 'flooded or AGM.')->optional(),
        ], ['current']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline('Lost on the way', [
            Headline::figure($r->number('feed'), 'V feed'), Headline::figure($r->number('ground'), 'V earth'),
        ], sprintf('about %s %% charged', Show::n($r->number('charge'), 2)));
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['legs', LegDrawing::of(self::drop($in))];
    }

    public function compute(Inputs $in): SumResult
    {
        $drop = self::drop($in);
        $current = $in->has('current') ? $in->number('current', Kind::Current) : null;
        $legs = ['feed' => $drop->feed(), 'ground' => $drop->ground, 'battery' => $drop->rest - $drop->crank];
        $values = [];
        foreach ($legs as $name => $volts) {
            $values[$name] = Value::of($volts, Unit::Volt->value);
            null === $current || $values[$name.'_resistance'] = Value::of(1000 * $volts / $current, 'mΩ');
        }

        return new SumResult($this->about()->name, $in->raw, $values + [
            'feed_share' => Value::of($drop->share($drop->feed()), Unit::Percent->value),
            'ground_share' => Value::of($drop->share($drop->ground), Unit::Percent->value),
            'charge' => Value::of($drop->charge(), Unit::Percent->value), 'least' => Value::of($drop->least, Unit::Volt->value),
            'leg' => Value::names(self::legs($drop)),
        ], self::judged($drop, $in), [
            Working::by($drop->fed, 'Feed', 'V', 'all three while it cranks', 3),
            new Working(
                'Battery', 'by the warmth it has', sprintf('%s V while it cranks', Show::n($drop->crank, 3)),
                sprintf('%s V or more is kept by a good one', Show::n($drop->least, 3)), 'a table of common trade practice',
            ),
            Working::by(
                $drop->charged, 'Charge', '', 'flooded 12.65 V full at 25 °C, AGM 12.8 and less sure',
                result: Show::n($drop->charge(), 2).' %',
            ),
        ]);
    }

    /** @return non-empty-list<string> a battery that gives way first; then each leg over its limit, the worst first */
    private static function legs(VoltDrop $drop): array
    {
        $over = array_filter(
            ['feed' => $drop->feed() / VoltDrop::FEED, 'ground' => $drop->ground / VoltDrop::GROUND],
            static fn (float $one): bool => $one > 1 + 1e-9,
        );
        arsort($over);
        $legs = [...($drop->rest >= VoltDrop::CHARGED && $drop->isTired() ? ['battery'] : []), ...array_keys($over)];

        return [] === $legs ? ['none'] : $legs;
    }

    /** @return non-empty-list<Check> */
    private static function judged(VoltDrop $drop, Inputs $in): array
    {
        $checks = [];
        if ($drop->rest > VoltDrop::SURFACE) {
            $checks[] = Check::watch('surface-charge', 'Over 12.9 V at rest: the charger still shows. Lamps on for a minute, then again.');
        }
        if ($drop->rest < VoltDrop::CHARGED) {
            $checks[] = Check::watch('charge-first', 'Under 12.4 V at rest: charge it first, then crank once more.');
        } elseif ($drop->isTired()) {
            $checks[] = Check::stop('battery', sprintf(
                'Charged, and it falls to %s V; %s V is kept by a good one this warm. The battery before any cable.',
                Show::n($drop->crank, 3), Show::n($drop->least, 3),
            ));
        }
        foreach (['feed' => [$drop->feed(), VoltDrop::FEED, 'Feed'], 'ground' => [$drop->ground, VoltDrop::GROUND,
            'Earth']] as $code => $leg) {
            [$volts, $limit, $name] = $leg;
            $said = sprintf('%s loses %s V and may lose %s: ends clean and tight, cable, %s.', $name, Show::n($volts, 3), Show::n($limit),
                'feed' === $code ? 'solenoid' : 'strap from engine to body');
            $volts <= $limit + 1e-9 || $checks[] = $volts > 2 * $limit + 1e-9 ? Check::stop($code, $said) : Check::watch($code, $said);
        }
        'agm' === self::kind($in) && $checks[] = Check::ok('agm', 'AGM: how charged it is, is less sure than of a flooded one.');

        return [] === $checks ? [Check::ok('sound', 'Both legs and the battery are within what they may lose.')] : $checks;
    }

    private static function drop(Inputs $in): VoltDrop
    {
        $volts = static fn (string $field, float $low, float $high): float => $in->between($field, Kind::Voltage, $low, $high);
        [$rest, $crank] = [$volts('rest', 6.0, 30.0), $volts('crank', 1.0, 30.0)];
        [$stud, $ground] = [$volts('stud', 0.0, 30.0), $volts('ground', 0.0, 30.0)];
        $crank <= $rest || throw InvalidInput::in('crank',
            'It stands higher while it cranks than at rest: the engine runs, or the two are swapped.');
        $stud + $ground <= $crank + 1e-9 || throw InvalidInput::in(
            'stud', 'Stud and earth together are more than the battery gives: one was read at another moment. All three while it cranks.',
        );

        return VoltDrop::of($rest, $crank, $stud, $ground, $in->has('temperature')
            ? $in->number('temperature', Kind::Temperature) : self::USUAL, self::kind($in));
    }

    private static function kind(Inputs $in): string
    {
        $kind = $in->has('kind') ? mb_strtolower(trim($in->text('kind'))) : 'flooded';

        return in_array($kind, ['flooded', 'agm'], true) ? $kind : throw InvalidInput::in('kind', 'A battery is flooded or AGM.');
    }
}
