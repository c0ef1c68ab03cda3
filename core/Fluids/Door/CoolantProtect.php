<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Door;

use NimbleKnuckle\Core\Fluids\AirFields;
use NimbleKnuckle\Core\Fluids\Glycol;
use NimbleKnuckle\Core\Fluids\ProtectDrawing;
use NimbleKnuckle\Core\Fluids\Protection;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Temperature;
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

/** The door of the protection: °C for a strength in percent by volume, a cap in kPa gauge and a height in m. */
final readonly class CoolantProtect implements Sum
{
    public function about(): About
    {
        return new About('coolant-protect', 'Where coolant freezes and boils', 'Coolant and oil', static fn (): array => [
            Field::choice('base', 'Made of', ['eg' => 'ethylene glycol', 'pg' => 'propylene glycol']),
            Field::quantity('percent', 'Strength', Kind::Percent, '50 %', 'Read off the refractometer.'),
            Field::quantity(
                'cap', 'Cap opens at', Kind::Pressure, '120 kPa', 'As printed on the cap; nothing for no cap.'
            )->within(0.0, 300.0)->optional(),
            ...AirFields::all(),
            Field::quantity('coldest', 'Coldest night', Kind::Temperature, '-20 °C')->within(-70.0, 30.0)->optional(),
        ], ['cap', 'altitude' => '300 m', 'coldest']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Freezes at', [Headline::celsius($r->number('freeze'))],
            sprintf(
                'boils at %s °C under the cap, %s °C with it off', Headline::degrees($r->number('boil_capped')),
                Headline::degrees($r->number('boil_open')),
            ),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['plot', ProtectDrawing::of(self::read($in)[0])];
    }

    /**
     * @return array{Protection, ?Working}
     *
     * @throws InvalidInput
     */
    private static function read(Inputs $in): array
    {
        $base = Glycol::named($in->text('base'));
        [$percent, $read] = CoolantMix::strength($in, 'percent', $base);
        $cap = $in->has('cap') ? $in->pressure('cap') : Pressure::kilopascals(0.0);

        return [Protection::of($base, Share::ofHundred($percent), $cap, AirFields::read($in)), $read];
    }

    public function compute(Inputs $in): SumResult
    {
        [$made, $read] = self::read($in);

        return new SumResult($this->about()->name, $in->raw, [
            'freeze' => Value::of($made->freeze->celsius, Unit::Celsius->value),
            'boil_open' => Value::of($made->boilsOpen()->celsius, Unit::Celsius->value),
            'boil_capped' => Value::of($made->boilsCapped()->celsius, Unit::Celsius->value),
        ], $this->checks($in, $made), [...array_filter([$read]), ...$this->working($made)]);
    }

    /** @return list<Working> */
    private function working(Protection $made): array
    {
        $mix = sprintf('%s, %s %%', $made->base->inWords(), Show::n($made->strength->percent()));
        [$air, $activity] = [Show::n($made->air->pressure->kilopascals), $made->activity()->said()];

        return [
            new Working(
                'Freezing begins', 'table, linear between rows', $mix, sprintf('%s °C', Show::n($made->freeze->celsius)),
                'ASHRAE Fundamentals',
            ),
            new Working(
                'Boils in the open by the sea', 'table, linear between rows', $mix,
                sprintf('%s °C', Show::n($made->normal->celsius)), 'ASHRAE Fundamentals',
            ),
            AirFields::working($made->air),
            Working::by($made->activity(), 'Activity of the water', '', 'Raoult, from the table itself'),
            new Working(
                'Boils with the cap off', 'a Pw(T) = p', sprintf('%s × Pw = %s kPa', $activity, $air),
                sprintf('%s °C', Show::n($made->boilsOpen()->celsius)), 'Antoine equation for water',
            ),
            new Working(
                'Boils under the cap', 'a Pw(T) = p + cap',
                sprintf('%s × Pw = %s + %s kPa', $activity, $air, Show::n($made->cap->kilopascals)),
                sprintf('%s °C', Show::n($made->boilsCapped()->celsius)), 'Antoine equation for water',
            ),
        ];
    }

    /** @return list<Check> */
    private function checks(Inputs $in, Protection $made): array
    {
        return [
            ...($in->has('coldest') ? [$this->frost($made, $in->temperature('coldest'))] : []),
            ...($made->isWeak() ? [
                Check::watch('weak', 'Under 25 % the inhibitors are thin too: rust and scale, whatever the frost.'),
            ] : []),
            Check::ok('hot', sprintf(
                'With the cap off it boils at %s °C, under the cap at %s °C: a hot system opened boils over at once.',
                Show::n($made->boilsOpen()->celsius, 4), Show::n($made->boilsCapped()->celsius, 4),
            )),
        ];
    }

    private function frost(Protection $made, Temperature $coldest): Check
    {
        $freeze = Show::n($made->freeze->celsius, 3);

        return match (true) {
            $made->freezesBefore($coldest) => Check::stop('freezes', sprintf(
                'It freezes at %s °C, before the coldest night of %s °C: make it stronger.', $freeze, Show::n($coldest->celsius, 3),
            )),
            $made->hasLittleMargin($coldest) => Check::watch(
                'margin', sprintf('It freezes at %s °C: under 5 °C below the coldest night.', $freeze),
            ),
            default => Check::ok('protected', sprintf('It stays liquid to %s °C.', $freeze)),
        };
    }
}
