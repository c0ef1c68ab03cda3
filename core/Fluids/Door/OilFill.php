<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Door;

use NimbleKnuckle\Core\Fluids\DipScale;
use NimbleKnuckle\Core\Fluids\DipstickDrawing;
use NimbleKnuckle\Core\Fluids\OilPour;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
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

/** The door of the oil: volumes in L, dips in mm above the end of the stick. */
final readonly class OilFill implements Sum
{
    public function about(): About
    {
        return new About('oil-fill', 'Oil fill', 'Coolant and oil', static fn (): array => [
            Field::quantity('capacity', 'The engine takes, with filter', Kind::Volume, '4.9 L'),
            Field::quantity('drained', 'Drained', Kind::Volume, '4.5 L', 'Measured in the can.')->optional(),
            Field::text('filter', 'Filter', 'changed, 0.3 L', 'changed or kept, and what it holds.'),
            Field::quantity(
                'housing', 'Filter housing or cooler emptied', Kind::Volume, '0.2 L', 'Only where the capacity does not count it.',
            )->within(0.0, 20.0)->optional(),
            Field::quantity(
                'dip_mm', 'Dipstick shows', Kind::Length, '12 mm', 'From its end, after running and a wait.'
            )->within(0.0, 300.0)->optional(),
            Field::quantity(
                'litre_per_mm', 'A millimetre is', Kind::Number, '0.06', 'Litres a millimetre, learned from two dips.',
            )->within(1e-4, 2.0)->optional(),
            Field::quantity('target_mm', 'Wanted', Kind::Length, '20 mm')->within(0.0, 300.0)->optional(),
        ], ['drained', 'dip_mm' => '14 mm', 'litre_per_mm', 'target_mm']);
    }

    public function headline(SumResult $r): Headline
    {
        return match (true) {
            $r->has('draw_off') => new Headline('Draw off', [Headline::litres($r->number('draw_off'), 'L')], 'before it runs again'),
            $r->has('top_up') => new Headline('Top up', [Headline::litres($r->number('top_up'), 'L')], 'by the dipstick'),
            default => new Headline(
                'Pour first', [Headline::litres($r->number('first_pour'), 'L')],
                sprintf('run it, wait, dip; then up to %s L more', Digits::significant($r->number('then'), 2)),
            ),
        };
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['oil', DipstickDrawing::of(
            self::read($in), $in->volume('capacity'), $in->has('dip_mm') ? $in->length('dip_mm') : null,
            $in->has('target_mm') ? $in->length('target_mm') : null, $in->has('dip_mm') ? self::byTheStick($in) : null,
        )];
    }

    public function compute(Inputs $in): SumResult
    {
        $pour = self::read($in);
        [$first, $then] = [$pour->first()->litres, $pour->then()->litres];
        [$stick, $checks, $lines] = $in->has('dip_mm') ? $this->dipped($in, self::byTheStick($in)) : [[], [Check::ok(
            'pour', sprintf('Pour %s L, run it, wait, dip; then up to %s L more.', Show::n($first, 3), Show::n($then, 2)),
        )], []];

        return new SumResult($this->about()->name, $in->raw, [
            'first_pour' => Value::of($first, Unit::Litre->value),
            'then' => Value::of($then, Unit::Litre->value),
        ] + $stick, [...$this->moreOut($in, $pour), ...$checks], [...$this->working($pour), ...$lines]);
    }

    /** @throws InvalidInput */
    private static function read(Inputs $in): OilPour
    {
        $capacity = $in->volume('capacity');
        [$isNew, $filter] = self::filter($in);
        $filter < $capacity->litres || throw InvalidInput::in('filter', 'The filter cannot hold as much as the whole engine.');

        return OilPour::of(
            $capacity, Volume::litres($filter), $isNew, $in->has('housing') ? $in->volume('housing') : Volume::litres(0.0),
            $in->has('drained') ? $in->volume('drained', 0.0, 2 * $capacity->litres) : null,
        );
    }

    /** @return list<Check> */
    private function moreOut(Inputs $in, OilPour $pour): array
    {
        return !$pour->isMoreOut() || null === $pour->drained ? [] : [Check::watch('more-out', sprintf(
            '%s L came out, and it takes %s. Was it overfilled, is fuel or coolant in it, or is the capacity wrong? Find '
                .'out before you fill.',
            Show::n($pour->drained->litres, 3), Show::n($in->volume('capacity')->litres, 3),
        ))];
    }

    /** @return list<Working> */
    private function working(OilPour $pour): array
    {
        return [
            Working::by($pour->whole, 'Missing by the capacity', 'L', "the maker's figure, with filter"),
            ...(null === $pour->out ? [] : [
                Working::by($pour->out, 'Missing by the can', 'L', 'measured; the smaller of the two counts'),
            ]),
            Working::by($pour->firstFormula(), 'First pour', 'L', 'the rest by the dipstick'),
            Working::by($pour->thenFormula(), 'Then', 'L at most', 'after running, waiting and dipping'),
        ];
    }

    /** @throws InvalidInput */
    private static function byTheStick(Inputs $in): Volume
    {
        $in->has('litre_per_mm') || throw InvalidInput::missing('litre_per_mm', '0.06 (litres a millimetre, from two dips)');
        $in->has('target_mm') || throw InvalidInput::missing('target_mm', '20 mm (the upper mark, or a little under it)');

        return DipScale::told($in->number('litre_per_mm', Kind::Number))->between(
            $in->length('dip_mm'), $in->length('target_mm'),
        );
    }

    /** @return array{array<string, Value>, list<Check>, list<Working>} */
    private function dipped(Inputs $in, Volume $toAdd): array
    {
        [$dip, $target] = [$in->number('dip_mm', Kind::Length), $in->number('target_mm', Kind::Length)];
        $more = $toAdd->litres;
        $lines = [new Working(
            'By the dipstick', '(wanted − dip) × litres a mm',
            sprintf('(%s − %s) × %s', Show::n($target), Show::n($dip), Show::n($in->number('litre_per_mm', Kind::Number))),
            sprintf('%s L', Show::n($more)), 'two dips with a known pour between them',
        )];
        if ($more < -OilPour::NOTHING) {
            return [
                ['top_up' => Value::of(0.0, Unit::Litre->value), 'draw_off' => Value::of(-$more, Unit::Litre->value)],
                [Check::stop('overfilled', sprintf(
                    '%s mm too high: draw off %s L before it runs. Foam, burst seals and oil in the intake otherwise.',
                    Show::n($dip - $target, 3), Show::n(-$more, 3),
                ))], $lines,
            ];
        }

        return [['top_up' => Value::of(max(0.0, $more), Unit::Litre->value)], [Check::ok(
            'top-up', $more < OilPour::NOTHING ? 'The level is right: nothing more.' : sprintf('Add %s L.', Show::n($more, 2)),
        )], $lines];
    }

    /**
     * “changed”, “kept 0.3 L”, {"changed": true, "volume": 0.3}, true, or a volume alone for a changed one.
     *
     * @return array{bool, float} changed, and what it holds in L
     *
     * @throws InvalidInput
     */
    private static function filter(Inputs $in): array
    {
        $raw = $in->raw['filter'];
        if (is_bool($raw)) {
            return [$raw, 0.0];
        }
        if (is_array($raw)) {
            $volume = $raw['volume'] ?? 0.0;
            [$changed, $text] = [
                false !== ($raw['changed'] ?? true) && 'false' !== ($raw['changed'] ?? true),
                is_scalar($volume) && !is_bool($volume) ? (string) $volume : '?',
            ];
        } else {
            $said = mb_strtolower($in->text('filter'));
            $kept = 1 === preg_match('~\b(kept|keep|stays?|not|no|old|false|unchanged)\b~', $said);
            $changed = !$kept;
            $text = trim(
                (string) preg_replace(
                    '~\b(kept|keep|stays?|not changed|not|no|old|false|unchanged|changed|change|new|yes|true|filter|holds)\b|[,;:]\s~',
                    ' ', $said.' ',
                ),
            );
        }
        if ('' === $text) {
            return [$changed, 0.0];
        }
        try {
            return [$changed, Notation::read(Kind::Volume, $text)->value()];
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in(
                'filter', sprintf(
                    'Write “changed” or “kept”, and what it holds, such as “changed, 0.3 L”. %s', $e->getMessage(),
                ),
            );
        }
    }
}
