<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Door;

use NimbleKnuckle\Core\Fluids\WarmUp\Curve;
use NimbleKnuckle\Core\Fluids\WarmUp\CurveDrawing;
use NimbleKnuckle\Core\Fluids\WarmUp\Jolts;
use NimbleKnuckle\Core\Fluids\WarmUp\Sign;
use NimbleKnuckle\Core\Fluids\WarmUp\WarmUpJudgement;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/** The door of the warm-up: sound, stuck-open, stuck-closed, air-trapped, overheating, or not-yet. Samples in s and °C. */
final readonly class WarmUp implements Sum
{
    public function about(): About
    {
        return new About('warm-up', 'Judge a warm-up', 'Coolant and oil', static fn (): array => [
            Field::text('samples', 'Curve', '0 18; 120 33; 240 47; 360 60; 480 72; 600 84; 660 88; 720 88; 840 '
                .'89', 'Seconds and °C: JSON rows, or one row a line.'),
            Field::quantity('opens', 'Thermostat opens at', Kind::Temperature, '88 °C', 'Stamped on it.')->within(50.0, 120.0),
            Field::quantity(
                'full', 'Fully open at', Kind::Temperature, '100 °C', 'Taken as 12 K more where it is not known.'
            )->within(50.0, 140.0)->optional(),
            Field::quantity('ambient', 'Air', Kind::Temperature, '18 °C')->within(-50.0, 60.0)->optional(),
        ], ['samples' => '0 18; 60 25; 120 33; 180 40; 240 47; 300 54; 360 60; 420 67; 480 73; 540 80; 600 86; 640 90; 660 89; '
                .'700 89; 760 90; 820 91; 880 91', 'ambient']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            '', [['number' => str_replace('-', ' ', $r->checks[0]->code), 'unit' => '']],
            ($r->has('opened_at') ? sprintf(
                'opened at %s °C, holds %s °C, ', Headline::degrees($r->number('opened_at')),
                Headline::degrees($r->number('plateau')),
            ) : '').sprintf('%s K a minute', Digits::significant($r->number('rate'), 2)),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['plot', CurveDrawing::of($in->rows('samples', 2, 2), $in->temperature('opens'), self::read($in))];
    }

    public function compute(Inputs $in): SumResult
    {
        return $this->said(self::read($in), $in->has('ambient') ? $in->temperature('ambient') : null, $in->raw);
    }

    /** @throws InvalidInput */
    private static function read(Inputs $in): WarmUpJudgement
    {
        $opens = $in->temperature('opens');
        $full = $in->has('full') ? $in->temperature('full') : null;
        null === $full || $full->celsius > $opens->celsius || throw InvalidInput::in(
            'full', 'It is fully open above where it opens: look at “full” and “opens”.',
        );

        return WarmUpJudgement::of(Curve::of($in->rows('samples', 2, 2)), $opens, $full);
    }

    /**
     * What was judged elsewhere, with its working.
     *
     * @param array<string, mixed> $raw
     */
    public function said(WarmUpJudgement $judged, ?Temperature $ambient = null, array $raw = []): SumResult
    {
        $plateau = $judged->plateau();
        $values = [
            'rate' => Value::of($judged->rate * 60, 'degC/min'),
            'highest' => Value::of($judged->curve->highest(), Unit::Celsius->value),
        ];
        if (null !== $plateau) {
            $opened = $judged->openedAt();
            $values = (null === $opened ? [] : ['opened_at' => Value::of($opened->celsius, Unit::Celsius->value)]) + [
                'plateau' => Value::of($plateau->celsius, Unit::Celsius->value),
            ] + (null === $opened ? [] : [
                'opened_after' => Value::of($judged->openedAfter(), Unit::Second->value),
                'overshoot' => Value::of(max(0.0, $judged->curve->highest() - $plateau->celsius), Unit::Kelvin->value),
            ]) + $values;
        }

        return new SumResult($this->about()->name, $raw, $values, array_map(
            fn (Sign $sign): Check => new Check($sign->finding(), self::level($sign), $this->inWords($sign, $judged, $ambient)),
            $judged->signs,
        ), $this->working($judged));
    }

    private static function level(Sign $sign): Level
    {
        return match ($sign) {
            Sign::NotSeenToOpen, Sign::Opened => Level::Ok,
            Sign::SlowToWarm => Level::Watch,
            default => Level::Stop,
        };
    }

    private function inWords(Sign $sign, WarmUpJudgement $judged, ?Temperature $ambient): string
    {
        $opens = Show::n($judged->opens->celsius, 3);
        $highest = $judged->curve->highest();

        return match ($sign) {
            Sign::Jumped, Sign::Saw => $this->air($sign, $judged->jolts),
            Sign::GoesOn => sprintf(
                'Stuck closed: it went on past %s °C, where it should stand fully open, without slowing. Stop the engine, '
                    .'the thermostat does not open.',
                Show::n($judged->full->celsius, 3),
            ),
            Sign::TooHot => sprintf(
                'Overheating: %s °C. Stop the engine now, leave the cap on, let it cool before anything is opened.', Show::n($highest, 4),
            ),
            Sign::LevelsOff => sprintf(
                'Stuck open: it levels off at %s °C%s and never comes to the %s °C at which it should open. It runs cold, wears '
                    .'and drinks.',
                Show::n($judged->levelsAt()->celsius, 3),
                null === $ambient ? '' : sprintf(', %s K over the air,', Show::n($judged->levelsAt()->kelvinsAbove($ambient), 2)), $opens,
            ),
            Sign::SlowToWarm => sprintf(
                'Perhaps stuck open: %s minutes, and only %s °C. Feel the radiator hose: warm already means it does not shut.',
                Show::n($judged->curve->duration() / 60, 2), Show::n($highest, 3),
            ),
            Sign::NotSeenToOpen => sprintf(
                'Not yet to be told at %s °C: run it on, the thermostat of %s °C has not been seen to open.',
                Show::n($judged->curve->last(), 3), $opens,
            ),
            Sign::Opened => sprintf(
                'Sound: it opened at %s °C and holds about %s °C.', Show::n($judged->openedAt()->celsius ?? 0.0, 3),
                Show::n($judged->plateau()->celsius ?? 0.0, 3),
            ),
        };
    }

    private function air(Sign $sign, Jolts $jolts): string
    {
        $seen = Sign::Saw === $sign || null === $jolts->jump ? sprintf('the curve is a saw of %d teeth', $jolts->teeth) : sprintf(
            'the reading jumped from %s to %s °C within %s s', Show::n($jolts->jump['from'], 3), Show::n($jolts->jump['to'], 3),
            Show::n(Jolts::JUMP_SECONDS),
        );

        return sprintf('Air trapped, or the level is low: %s. Stop, let it cool, bleed again and look at the level.', $seen);
    }

    /** @return list<Working> */
    private function working(WarmUpJudgement $judged): array
    {
        [$curve, $trend] = [$judged->curve, $judged->trend];

        return [
            new Working(
                'Rate', 'least-squares slope while it warms',
                sprintf('%d samples over %s s', $curve->count(), Show::n($curve->duration())),
                sprintf('%s K a minute', Show::n($judged->rate * 60, 3)), 'least squares',
            ),
            Working::by(
                WarmUpJudgement::limitFormula($judged->opens), 'Stop at', '°C', 'working value; the maker\'s limit goes before it',
            ),
            ...(null === $trend || $trend[1] <= 1e-9 ? [] : [new Working(
                'Would level off at', 'slope = a − b T, nought at a / b',
                sprintf('a = %s K/s, b = %s /s', Show::n($trend[0], 3), Show::n($trend[1], 3)),
                sprintf('%s °C', Show::n($trend[0] / $trend[1], 3)), 'one lump of heat losing to the air',
            )]),
            ...(null === $judged->openedAt() ? [] : [new Working(
                'Opened', 'slope under half of a − b T', sprintf('after %s s', Show::n($judged->openedAfter(), 3)),
                sprintf('%s °C', Show::n($judged->openedAt()->celsius, 3)), 'the knee of the curve',
            ), new Working(
                'Holds', 'median after the knee', sprintf('highest %s °C', Show::n($curve->highest(), 3)),
                sprintf('%s °C', Show::n($judged->plateau()->celsius ?? 0.0, 3)), 'median',
            )]),
        ];
    }
}
