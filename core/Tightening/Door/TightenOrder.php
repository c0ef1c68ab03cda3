<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening\Door;

use NimbleKnuckle\Core\Quantity\Kind;
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
use NimbleKnuckle\Core\Tightening\Layout;
use NimbleKnuckle\Core\Tightening\OrderDrawing;

/** In which order, and in which passes, a group of bolts is tightened. Passes in percent of the figure, torques in N·m. */
final readonly class TightenOrder implements Sum
{
    private const PASSES = [30.0, 60.0, 100.0];

    public function about(): About
    {
        return new About('tighten-order', 'Tightening order', 'How to tighten it', static fn (): array => [
            Field::text('layout', 'Layout', 'ring 6', 'ring 6, line 4, grid 2x5, or points in mm: [[0,0],[40,0],[20,30]]'),
            Field::text('passes', 'Passes, percent', '30; 60; 100', 'Rising, the last one 100.')->optional(),
            Field::quantity('target', 'The figure', Kind::Torque, '25 N·m')->optional(),
        ], ['layout' => 'ring 8', 'passes', 'target']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'In this order',
            [[
                'number' => implode(' ', array_map(static fn (float|string $n): string => (string) (int) $n, $r->entries('order'))),
                'unit' => '',
            ]],
            implode(', ', array_map(static fn (float|string $n): string => Show::n((float) $n), $r->entries('passes'))).' %',
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['order', OrderDrawing::of(self::layout($in), array_map(intval(...), $r->entries('order')))];
    }

    /** @throws InvalidInput */
    public static function layout(Inputs $in): Layout
    {
        $raw = $in->raw['layout'] ?? null;
        if (is_string($raw) && 1 === preg_match('~\A\s*\[~', $raw)) {
            return Layout::parse($in->items('layout'));
        }
        if (is_array($raw) && !array_is_list($raw)) {
            $shape = is_string($raw['shape'] ?? null) ? $raw['shape'] : (string) array_key_first($raw);
            $size = $raw['n'] ?? $raw['count'] ?? $raw[$shape] ?? self::rowsByColumns($raw);

            return Layout::parse(sprintf('%s %s', $shape, is_scalar($size) ? $size : ''));
        }

        return Layout::parse(is_string($raw) ? (string) preg_replace('~\A\s*(ring|line|grid)\s*(?:of\s*)?~ui', '$1 ', $raw) : $raw);
    }

    /** @param array<array-key, mixed> $raw */
    private static function rowsByColumns(array $raw): string
    {
        [$rows, $columns] = [$raw['rows'] ?? null, $raw['columns'] ?? null];

        return is_scalar($rows) && is_scalar($columns) ? $rows.'x'.$columns : '';
    }

    public function compute(Inputs $in): SumResult
    {
        $layout = self::layout($in);
        $passes = $in->has('passes') ? $this->passes($in->numbers('passes', Kind::Percent)) : self::PASSES;
        $order = $layout->order();
        $values = [
            'order' => Value::listOf(array_map(floatval(...), $order), 'number'),
            'passes' => Value::listOf($passes, Unit::Percent->value),
        ];
        $working = [new Working(
            'Order',
            'ring' === $layout->shape ? 'cross over: always the one farthest round' : 'from the middle outward, sides in turn',
            sprintf('%d fasteners', $layout->count()), implode(' ', $order), 'workshop practice for even clamping',
        )];
        if ($in->has('target')) {
            $target = $in->positive('target', Kind::Torque);
            $torques = array_map(static fn (float $pass): float => $target * $pass / 100, $passes);
            $values['torques'] = Value::listOf($torques, Unit::NewtonMetre->value);
            $working[] = new Working(
                'Torque of each pass', 'T = percent × figure',
                sprintf(
                    '%s %% of %s N·m', implode(', ', array_map(static fn (float $p): string => Show::n($p), $passes)),
                    Show::n($target),
                ),
                implode(', ', array_map(static fn (float $t): string => Show::n($t), $torques)).' N·m', 'definition',
            );
        }
        $said = 1 === $layout->count() ? 'One fastener: nothing to order.' : sprintf(
            '%s, in %d %s; then round once more at the full figure.', implode(' ', $order), count($passes),
            1 === count($passes) ? 'pass' : 'passes',
        );

        return new SumResult($this->about()->name, $in->raw, $values, [Check::ok('order', $said)], $working);
    }

    /**
     * @param non-empty-list<float> $passes
     *
     * @return non-empty-list<float>
     */
    private function passes(array $passes): array
    {
        foreach ($passes as $i => $pass) {
            if ($pass <= ($passes[$i - 1] ?? 0.0)) {
                throw InvalidInput::in('passes', 'Each pass is higher than the one before, and more than zero.');
            }
        }
        100.0 === $passes[count($passes) - 1] || throw InvalidInput::in('passes', 'The last pass is 100 percent.');

        return $passes;
    }
}
