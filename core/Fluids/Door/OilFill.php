<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Door;

use NimbleKnuckle\Core\Fluids\DipstickDrawing;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Show;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/**
 * How much oil to pour first, then, and by the dipstick. Volumes in L, dips in mm above the end of the stick. The capacity
 * is the maker's, with filter; a filter that stays keeps its own volume. Of the two ways to know what is missing (capacity,
 * or drained plus what the new filter and housing take) the smaller is poured towards: oil goes in easier than out.
 */
final readonly class OilFill implements Sum
{
    private const FIRST = 0.9;
    /** Out of an engine comes no more than it takes, but for what the can reads wrong. */
    private const MORE_THAN_ALL = 1.03;

    public function name(): string
    {
        return 'oil-fill';
    }

    public function summary(): string
    {
        return 'Oil fill';
    }

    public function fields(): array
    {
        return [
            Field::quantity('capacity', 'The engine takes, with filter', Kind::Volume, '4.9 L'),
            Field::quantity('drained', 'Drained', Kind::Volume, '4.5 L', 'Measured in the can.')->optional(),
            Field::text('filter', 'Filter', 'changed, 0.3 L', 'changed or kept, and what it holds.'),
            Field::quantity(
                'housing', 'Filter housing or cooler emptied', Kind::Volume, '0.2 L', 'Only where the capacity does not count it.',
            )->optional(),
            Field::quantity('dip_mm', 'Dipstick shows', Kind::Length, '12 mm', 'From its end, after running and a wait.')->optional(),
            Field::quantity(
                'litre_per_mm', 'A millimetre is', Kind::Number, '0.06', 'Litres a millimetre, learned from two dips.',
            )->optional(),
            Field::quantity('target_mm', 'Wanted', Kind::Length, '20 mm')->optional(),
        ];
    }

    public function group(): string
    {
        return 'Coolant and oil';
    }

    public function example(): array
    {
        return [
            'capacity' => '4.9 L',
            'drained' => '4.5 L',
            'filter' => 'changed, 0.3 L',
            'dip_mm' => '14 mm',
            'litre_per_mm' => '0.06',
            'target_mm' => '20 mm',
        ];
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
        return [
            'oil',
            DipstickDrawing::of(
                $r, $in->number('capacity', Kind::Volume), $in->maybe('dip_mm', Kind::Length),
                $in->maybe('target_mm', Kind::Length),
            ),
        ];
    }

    public function compute(Inputs $in): SumResult
    {
        $capacity = $in->positive('capacity', Kind::Volume);
        [$changed, $filter] = self::filter($in);
        $filter < $capacity || throw InvalidInput::in('filter', 'The filter cannot hold as much as the whole engine.');
        $housing = $in->has('housing') ? $in->between('housing', Kind::Volume, 0.0, 20.0) : 0.0;
        $whole = $capacity - ($changed ? 0.0 : $filter) + $housing;
        $missing = $whole;
        $working = [new Working(
            'Missing by the capacity', $changed ? 'capacity + housing' : 'capacity − filter + housing',
            sprintf('%s%s + %s', Show::n($capacity), $changed ? '' : ' − '.Show::n($filter), Show::n($housing)),
            sprintf('%s L', Show::n($whole)), "the maker's figure, with filter",
        )];
        if ($in->has('drained')) {
            $drained = $in->between('drained', Kind::Volume, 0.0, 2 * $capacity);
            $out = $drained + ($changed ? $filter : 0.0) + $housing;
            $missing = min($whole, $out);
            $working[] = new Working(
                'Missing by the can', 'drained + new filter + housing',
                sprintf('%s + %s + %s', Show::n($drained), Show::n($changed ? $filter : 0.0), Show::n($housing)),
                sprintf('%s L', Show::n($out)), 'measured; the smaller of the two counts',
            );
        }
        [$first, $then] = [self::FIRST * $missing, (1 - self::FIRST) * $missing];
        $values = [
            'first_pour' => Value::of($first, Unit::Litre->value),
            'then' => Value::of($then, Unit::Litre->value),
        ];
        $working[] = new Working(
            'First pour', '0.9 × missing', sprintf('0.9 × %s', Show::n($missing)), sprintf('%s L', Show::n($first)),
            'the rest by the dipstick',
        );
        $working[] = new Working(
            'Then', 'missing − first', sprintf('%s − %s', Show::n($missing), Show::n($first)),
            sprintf('%s L at most', Show::n($then)), 'after running, waiting and dipping',
        );
        $checks = [];
        if ($in->has('drained') && $in->number('drained', Kind::Volume) + ($changed ? $filter : 0.0) > self::MORE_THAN_ALL * $whole) {
            $checks[] = Check::watch('more-out', sprintf(
                '%s L came out, and it takes %s. Was it overfilled, is fuel or coolant in it, or is the capacity wrong? Find '
                    .'out before you fill.',
                Show::n($in->number('drained', Kind::Volume), 3), Show::n($capacity, 3),
            ));
        }
        if ($in->has('dip_mm')) {
            [$more, $check, $line] = $this->byTheStick($in);
            $values += $more;
            $checks[] = $check;
            $working[] = $line;
        } else {
            $checks[] = Check::ok(
                'pour', sprintf('Pour %s L, run it, wait, dip; then up to %s L more.', Show::n($first, 3), Show::n($then, 2)),
            );
        }

        return new SumResult($this->name(), $in->raw, $values, $checks, $working);
    }

    /** @return array{array<string, Value>, Check, Working} */
    private function byTheStick(Inputs $in): array
    {
        $in->has('litre_per_mm') || throw InvalidInput::missing('litre_per_mm', '0.06 (litres a millimetre, from two dips)');
        $in->has('target_mm') || throw InvalidInput::missing('target_mm', '20 mm (the upper mark, or a little under it)');
        $dip = $in->between('dip_mm', Kind::Length, 0.0, 300.0);
        $target = $in->between('target_mm', Kind::Length, 0.0, 300.0);
        $perMm = $in->between('litre_per_mm', Kind::Number, 1e-4, 2.0);
        $more = ($target - $dip) * $perMm;
        $line = new Working(
            'By the dipstick', '(wanted − dip) × litres a mm',
            sprintf('(%s − %s) × %s', Show::n($target), Show::n($dip), Show::n($perMm)), sprintf('%s L', Show::n($more)),
            'two dips with a known pour between them',
        );
        if ($more < -1e-9) {
            return [
                ['top_up' => Value::of(0.0, Unit::Litre->value), 'draw_off' => Value::of(-$more, Unit::Litre->value)],
                Check::stop(
                    'overfilled',
                    sprintf(
                        '%s mm too high: draw off %s L before it runs. Foam, burst seals and oil in the intake otherwise.',
                        Show::n($dip - $target, 3), Show::n(-$more, 3),
                    ),
                ), $line,
            ];
        }

        return [
            ['top_up' => Value::of(max(0.0, $more), Unit::Litre->value)],
            Check::ok('top-up', $more < 1e-9 ? 'The level is right: nothing more.' : sprintf('Add %s L.', Show::n($more, 2))),
            $line,
        ];
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
                'filter', sprintf('Write “changed” or “kept”, and what it holds, such as “changed, 0.3 L”. %s', $e->getMessage()),
            );
        }
    }
}
