<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Door;

use NimbleKnuckle\Core\Fluids\Glycol;
use NimbleKnuckle\Core\Fluids\Growth;
use NimbleKnuckle\Core\Fluids\TankDrawing;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Quantity\Volume;
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
 * The door of the level: volumes in L, temperatures in °C. The mark is in percent of the way from the lower mark to the upper,
 * for a system that stands at the lower one when cold.
 */
final readonly class CoolantLevel implements Sum
{
    public function about(): About
    {
        return new About('coolant-level', 'Coolant level, cold and hot', 'Coolant and oil', static fn (): array => [
            Field::quantity('volume', 'The circuit holds', Kind::Volume, '6.6 L'),
            Field::quantity('percent', 'Strength', Kind::Percent, '50 %'),
            Field::quantity('cold', 'Cold', Kind::Temperature, '15 °C')->within(-60.0, 60.0),
            Field::quantity('hot', 'Hot', Kind::Temperature, '92 °C')->within(-60.0, 140.0),
            Field::quantity('marks', 'Between the two marks', Kind::Volume, '0.5 L', 'How much coolant fits between them.')->optional(),
            Field::quantity('topped_up', 'Topped up next morning', Kind::Volume, '0.2 L')->optional(),
        ], ['marks', 'topped_up' => '0.15 L']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Rises by', [Headline::litres($r->number('growth'), 'L')],
            $r->has('expected_mark') ? sprintf('%.0f %% of the way from the lower mark to the upper', $r->number('expected_mark')) : '',
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['tank', TankDrawing::of(
            self::read($in)[0], $in->has('marks') ? $in->volume('marks') : null, $in->temperature('cold'),
            $in->temperature('hot'),
        )];
    }

    /**
     * @return array{Growth, ?Working}
     *
     * @throws InvalidInput
     */
    private static function read(Inputs $in): array
    {
        $volume = $in->volume('volume');
        [$percent, $read] = CoolantMix::strength($in, 'percent', Glycol::Ethylene);
        [$cold, $hot] = [$in->temperature('cold'), $in->temperature('hot')];
        $hot->celsius >= $cold->celsius || throw InvalidInput::in('hot', sprintf(
            '“hot” (%s °C) is colder than “cold” (%s °C): swap them.', Show::n($hot->celsius), Show::n($cold->celsius),
        ));

        return [Growth::of($volume, Share::ofHundred($percent), $cold, $hot), $read];
    }

    public function compute(Inputs $in): SumResult
    {
        [$made, $read] = self::read($in);
        [$mark, $markChecks, $markLines] = $in->has('marks') ? $this->marked($made, $in->volume('marks')) : [[], [], []];
        $topped = $in->has('topped_up') ? $in->volume('topped_up', 0.0, $made->volume->litres) : null;
        [$cold, $hot] = [Show::n($in->number('cold', Kind::Temperature)), Show::n($in->number('hot', Kind::Temperature))];

        return new SumResult($this->about()->name, $in->raw, ['growth' => Value::of($made->growth->litres, Unit::Litre->value)] + $mark, [
            ...$markChecks, ...(null === $topped ? [] : [self::judged($made, $topped)]),
            Check::ok('growth', sprintf('It grows by %s L from %s to %s °C.', Show::n($made->growth->litres, 2), $cold, $hot)),
        ], [
            ...array_filter([$read]),
            Working::by(
                $made->expansionFormula, 'Expansion', 'per K', 'working value for water and glycol between 20 and 90 °C',
                with: $made->expansionFormula->listed(),
            ),
            Working::by($made->growthFormula, 'Growth', 'L', 'thermal expansion'),
            ...$markLines, ...(null === $topped ? [] : [Working::by(
                $share = $made->ofVolumeFormula($topped), 'Topped up', '',
                sprintf('over %s %% watch, over %s %% stop', Show::n(100 * Growth::WATCH), Show::n(100 * Growth::STOP)),
                result: $share->percent(),
            )]),
        ]);
    }

    /** @return array{array<string, Value>, list<Check>, list<Working>} */
    private function marked(Growth $made, Volume $marks): array
    {
        $mark = $made->ofMarks($marks)->percent();

        return [
            ['expected_mark' => Value::of($mark, Unit::Percent->value)], $mark > 100.0 ? [Check::ok(
                'above-mark', 'Hot it stands above the upper mark and goes back as it cools: draw nothing off.',
            )] : [], [Working::by(
                $made->ofMarksFormula($marks), 'Stands when hot', '', 'at the lower mark when cold',
                result: sprintf('%s %% of the way up from the lower mark', Show::n($mark)),
            )],
        ];
    }

    private static function judged(Growth $made, Volume $topped): Check
    {
        $share = $made->ofVolume($topped)->percent();

        return match (true) {
            $made->isTooMuch($topped) => Check::stop('top-up', sprintf(
                '%s %% of the volume is air that was still in there, or a leak: look before it is driven.', Show::n($share, 3),
            )),
            $made->isMuch($topped) => Check::watch('top-up', sprintf(
                '%s %% of the volume: air working its way out. Look again after the next drive.', Show::n($share, 3),
            )),
            default => Check::ok('top-up', sprintf('%s %% of the volume: ordinary after a fill.', Show::n($share, 2))),
        };
    }
}
