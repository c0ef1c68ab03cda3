<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Door;

use NimbleKnuckle\Core\Fluids\CanDrawing;
use NimbleKnuckle\Core\Fluids\CoolantStrength;
use NimbleKnuckle\Core\Fluids\FillCycles;
use NimbleKnuckle\Core\Fluids\Glycol;
use NimbleKnuckle\Core\Fluids\Shelf;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\Show;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/**
 * What to pour back after a drain: pour = (V c* − (V − D) c0) / cp, water = D − pour.
 * Volumes in L, strengths in percent glycol by volume. Source: conservation of glycol; volumes are taken as additive.
 */
final readonly class CoolantMix implements Sum
{
    private const OLD_SHARE_LIMIT = 0.05;
    private const ROUNDING = 1e-9;

    public function name(): string
    {
        return 'coolant-mix';
    }

    public function summary(): string
    {
        return 'Coolant mix';
    }

    public function fields(): array
    {
        return [
            Field::quantity('capacity', 'The whole circuit holds', Kind::Volume, '6.4 L'),
            Field::quantity('drained', 'Drained', Kind::Volume, '4.1 L', 'Measured in the can.'),
            Field::quantity('present', 'Strength of what was in it', Kind::Percent, '32 %', 'Read off the refractometer.'),
            Field::quantity('target', 'Strength wanted', Kind::Percent, '50 %'),
            Field::quantity(
                'product', 'Strength of what you pour', Kind::Percent, '100 %', '100 for concentrate, 50 for half-and-half premix.',
            ),
            Field::choice(
                'base', 'Made of', ['eg' => 'ethylene glycol', 'pg' => 'propylene glycol'],
                'Where a strength is read as a freezing point.',
            )->optional(),
            Field::flag(
                'incompatible', 'What was in it must not mix with the new',
                'Shows how many drain-and-fill cycles leave under 5 % of the old.',
            ),
            Field::list('shelf', 'Sizes on the shelf', '1 L; 1.5 L; 5 L', 'Which to buy for what is poured.')->optional(),
        ];
    }

    public function group(): string
    {
        return 'Coolant and oil';
    }

    public function example(): array
    {
        return [
            'capacity' => '6.6 L',
            'drained' => '4.1 L',
            'present' => '32 %',
            'target' => '50 %',
            'product' => '100 %',
            'shelf' => '1 L; 1.5 L; 5 L',
        ];
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Pour', [Headline::litres($r->number('pour'), 'L coolant'), Headline::litres($r->number('water'), 'L water')],
            sprintf(
                '%s %% then%s', Digits::significant($r->number('result')),
                $r->has('drain_needed') ? sprintf(', drain %s L for it', Digits::significant($r->number('drain_needed'))) : '',
            ),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['can', CanDrawing::of($r, $in->number('capacity', Kind::Volume))];
    }

    public function compute(Inputs $in): SumResult
    {
        $capacity = $in->positive('capacity', Kind::Volume);
        $drained = $in->between('drained', Kind::Volume, 0.0, $capacity);
        $base = $in->has('base') ? Glycol::named($in->text('base')) : Glycol::Ethylene;
        [$present, $presentLine] = self::strength($in, 'present', $base);
        [$target, $targetLine] = self::strength($in, 'target', $base);
        [$product, $productLine] = self::strength($in, 'product', $base);
        $product > 0.0 || throw InvalidInput::in('product', 'What is poured must hold some glycol: 100 for concentrate, 50 for premix.');

        $exact = ($capacity * $target - ($capacity - $drained) * $present) / $product;
        $reachable = $exact >= -self::ROUNDING && $exact <= $drained + self::ROUNDING;
        $pour = min(max($exact, 0.0), $drained);
        $result = (($capacity - $drained) * $present + $pour * $product) / $capacity;
        $values = [
            'pour' => Value::of($pour, Unit::Litre->value),
            'water' => Value::of($drained - $pour, Unit::Litre->value),
            'result' => Value::of($result, Unit::Percent->value),
        ];
        $working = [
            ...array_filter([$presentLine, $targetLine, $productLine]),
            new Working(
                'Coolant to pour', 'pour = (V c* − (V − D) c0) / cp',
                sprintf(
                    '(%s × %s − (%s − %s) × %s) / %s', Show::n($capacity), Show::n($target), Show::n($capacity), Show::n($drained),
                    Show::n($present), Show::n($product),
                ),
                sprintf('%s L', Show::n($exact)), 'conservation of glycol',
            ),
            new Working(
                'Water to pour', 'water = D − pour', sprintf('%s − %s', Show::n($drained), Show::n($pour)),
                sprintf('%s L', Show::n($drained - $pour)), 'conservation of volume',
            ),
            new Working(
                'Strength then', 'c = ((V − D) c0 + pour cp) / V',
                sprintf(
                    '((%s − %s) × %s + %s × %s) / %s', Show::n($capacity), Show::n($drained), Show::n($present), Show::n($pour),
                    Show::n($product), Show::n($capacity),
                ),
                sprintf('%s %%', Show::n($result)), 'conservation of glycol',
            ),
        ];
        $checks = [];
        $incompatible = $in->flag('incompatible');
        if ($incompatible) {
            [$more, $check, $lines] = $this->washedOut($capacity, $drained, $present, $target, $product);
            $values += $more;
            $checks[] = $check;
            $working = [...$working, ...$lines];
        }
        if (!$reachable) {
            [$more, $check, $lines] = $this->outOfReach($capacity, $drained, $present, $target, $product, $result);
            $values += $more;
            $checks[] = $check;
            $working = [...$working, ...$lines];
        } elseif (!$incompatible || isset($values['cycles']) && 1.0 === $values['cycles']->value) {
            $checks[] = Check::ok(
                'reachable',
                sprintf(
                    'Pour %s L of the %s and %s L of water: %s %%.', Show::n($pour, 3), self::named($product),
                    Show::n($drained - $pour, 3), Show::n($result, 3),
                ),
            );
        }
        if ($in->has('shelf') && $pour > 0.0) {
            [$bought, $check] = $this->buy($in, $pour);
            $values['bought'] = $bought;
            $checks[] = $check;
        }
        if ($target > 60.0) {
            $checks[] = Check::watch('too-strong', 'Past about 60 % more concentrate protects less and cools worse.');
        }

        return new SumResult($this->name(), $in->raw, $values, $checks, $working);
    }

    /**
     * A strength in percent, or as a freezing point of the base.
     *
     * @return array{float, ?Working}
     *
     * @throws InvalidInput
     */
    public static function strength(Inputs $in, string $name, Glycol $base): array
    {
        try {
            $read = CoolantStrength::read($in->written($name), $base);
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in($name, $e->getMessage());
        }
        $percent = $read->figure->value();
        $percent <= 100.0 || throw InvalidInput::in($name, sprintf('%s %% is more than all of it: give 0 to 100 %%.', Show::n($percent)));

        return [$percent, null === $read->freezing ? null : new Working(
            'Strength by its freezing point', 'table, linear between rows', sprintf(
                '%s, %s °C', $base->inWords(), Show::n($read->freezing->value()),
            ),
            sprintf('%s %%', Show::n($percent)), 'ASHRAE Fundamentals',
        )];
    }

    /** @return array{Value, Check} */
    private function buy(Inputs $in, float $pour): array
    {
        $sizes = $in->numbers('shelf', Kind::Volume);
        min($sizes) >= 0.05 && max($sizes) <= 60.0 && count($sizes) <= 12 || throw InvalidInput::in(
            'shelf', 'Give up to twelve sizes from 0.05 to 60 L, such as “1 L; 5 L”.',
        );
        $shelf = Shelf::buy($pour, $sizes);

        return [
            Value::of($shelf['bought'], Unit::Litre->value),
            Check::ok(
                'buy',
                sprintf(
                    'Buy %s for the %s L: %s L are left over.', Shelf::inWords($shelf['counts']), Show::n($pour, 3),
                    Show::n($shelf['bought'] - $pour, 2),
                ),
            ),
        ];
    }

    /** @return array{array<string, Value>, Check, list<Working>} */
    private function outOfReach(float $capacity, float $drained, float $present, float $target, float $product, float $best): array
    {
        $stronger = $best < $target;
        $poured = $stronger ? $product : 0.0;
        $what = $stronger ? sprintf('the %s %% product', Show::n($product)) : 'water';
        if ($stronger && ($target > $product + self::ROUNDING || $target <= $present)) {
            return [
                [],
                Check::stop(
                    'product-too-weak',
                    sprintf(
                        '%s %% cannot be reached with a product of %s %%: use a stronger one. The best this drain allows is %s %%.',
                        Show::n($target), Show::n($product), Show::n($best, 3),
                    ),
                ),
                [],
            ];
        }
        $need = $capacity * ($target - $present) / ($poured - $present);
        $values = ['drain_needed' => Value::of($need, Unit::Litre->value)];
        $working = [new Working(
            'Drain needed', 'D = V (c* − c0) / (cp − c0)',
            sprintf(
                '%s × (%s − %s) / (%s − %s)', Show::n($capacity), Show::n($target), Show::n($present), Show::n($poured),
                Show::n($present),
            ),
            sprintf('%s L', Show::n($need)), 'conservation of glycol, refilled with '.$what,
        )];
        $left = 1 - $drained / $capacity;
        $wanted = ($target - $poured) / ($present - $poured);
        if ($drained <= 0.0 || $wanted <= self::ROUNDING && $left > 0.0) {
            return [
                $values,
                Check::stop(
                    'not-reachable',
                    sprintf(
                        '%s %% is not reachable from this drain: the best is %s %%. All %s L must come out; repeated drains '
                            .'only come closer.',
                        Show::n($target), Show::n($best, 3), Show::n($need, 3),
                    ),
                ),
                $working,
            ];
        }
        $plan = FillCycles::of($capacity, $drained, $present, $target, $product, 101.0);
        if (!$plan->reaches) {
            return [
                $values,
                Check::stop(
                    'not-reachable',
                    sprintf(
                        '%s %% is not reachable from this drain: the best is %s %%. Drain %s L at once.', Show::n($target),
                        Show::n($best, 3), Show::n($need, 3),
                    ),
                ),
                $working,
            ];
        }
        $values += $this->planned($plan);
        $working[] = new Working(
            'Drain-and-fill cycles', 'c = ((V − D) c + pour cp) / V, again and again', sprintf('from %s %%', Show::n($present)),
            sprintf('%s %%', implode(', ', array_map(static fn (float $c): string => Show::n($c, 3), $plan->strengths))),
            'conservation of glycol; run it hot between the drains so that it mixes',
        );

        return [$values, Check::stop('not-reachable', sprintf(
            '%s %% is not reachable from this drain: the best is %s %%. Drain %s L, or drain and fill %d times, run hot in between: %s.',
            Show::n($target), Show::n($best, 3), Show::n($need, 3), $plan->count(), self::inWords($plan),
        )), $working];
    }

    /** @return array<string, Value> */
    private function planned(FillCycles $plan): array
    {
        return [
            'cycles' => Value::of((float) $plan->count(), 'count'),
            'pours' => Value::listOf($plan->pours, Unit::Litre->value),
            'waters' => Value::listOf($plan->waters, Unit::Litre->value),
        ];
    }

    /** “first 2.46 L coolant and 1.64 L water, then twice 2.05 and 2.05”. */
    private static function inWords(FillCycles $plan): string
    {
        /** @var list<array{string, int}> $runs */
        $runs = [];
        foreach ($plan->pours as $i => $pour) {
            $said = sprintf('%s L coolant and %s L water', Show::n($pour, 3), Show::n($plan->waters[$i], 3));
            $last = count($runs) - 1;
            if ($last >= 0 && $runs[$last][0] === $said) {
                ++$runs[$last][1];
            } else {
                $runs[] = [$said, 1];
            }
        }
        $times = static fn (int $n): string => match ($n) {
            1 => '',
            2 => 'twice ',
            default => $n.' times ',
        };
        $parts = array_map(static fn (array $run): string => $times($run[1]).$run[0], $runs);

        return 1 === count($parts) ? $parts[0] : 'first '.implode(', then ', $parts);
    }

    private static function named(float $product): string
    {
        return 100.0 === $product ? 'concentrate' : sprintf('%s %% mix', Show::n($product));
    }

    /**
     * Two families that must not mix: enough cycles to leave little of the old, each with what it takes so that the last ends right.
     *
     * @return array{array<string, Value>, Check, list<Working>}
     */
    private function washedOut(float $capacity, float $drained, float $present, float $target, float $product): array
    {
        if ($drained < 0.02 * $capacity) {
            return [
                [],
                Check::stop('flush', 'Hardly anything was drained: the old coolant cannot be washed out this way. Drain more, or flush.'),
                [],
            ];
        }
        $plan = FillCycles::of($capacity, $drained, $present, $target, $product, 100 * self::OLD_SHARE_LIMIT);
        $share = $plan->oldShares[$plan->count() - 1];
        $ends = $plan->strengths[$plan->count() - 1];
        $values = ['old_share' => Value::listOf($plan->oldShares, Unit::Percent->value)] + $this->planned($plan);
        $working = [
            new Working(
                'Old coolant left after n cycles', 'r = (1 − D/V)^n',
                sprintf('(1 − %s/%s)^%d', Show::n($drained), Show::n($capacity), $plan->count()), sprintf('%s %%', Show::n($share)),
                'geometric dilution',
            ),
            new Working(
                'Strength after each', 'c = ((V − D) c + pour cp) / V', self::inWords($plan),
                sprintf('%s %%', implode(', ', array_map(static fn (float $c): string => Show::n($c, 3), $plan->strengths))),
                'conservation of glycol',
            ),
        ];
        if (1 === $plan->count()) {
            return [
                $values,
                Check::ok('incompatible', sprintf('One drain leaves %s %% of the old: little enough.', Show::n($share, 2))),
                $working,
            ];
        }

        $isThere = abs($ends - $target) < 0.05;

        return [$values, new Check('incompatible', $isThere ? Level::Watch : Level::Stop, sprintf(
            'The families must not mix: %d drain-and-fill cycles leave %s %% of the old and end at %s %%%s. Pour %s. Run it hot '
                .'in between.',
            $plan->count(), Show::n($share, 2), Show::n($ends, 3), $isThere ? '' : sprintf(', not %s', Show::n($target)),
            self::inWords($plan),
        )), $working];
    }
}
