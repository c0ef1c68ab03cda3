<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Door;

use NimbleKnuckle\Core\Fluids\CanDrawing;
use NimbleKnuckle\Core\Fluids\CoolantStrength;
use NimbleKnuckle\Core\Fluids\FillCycles;
use NimbleKnuckle\Core\Fluids\Glycol;
use NimbleKnuckle\Core\Fluids\Mix;
use NimbleKnuckle\Core\Fluids\Shelf;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
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
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/** The door of the mix: volumes in L, strengths in percent glycol by volume or as a freezing point. */
final readonly class CoolantMix implements Sum
{
    public function about(): About
    {
        return new About('coolant-mix', 'Coolant mix', 'Coolant and oil', static fn (): array => [
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
            Field::text('shelf', 'Sizes on the shelf', '1 L; 1.5 L; 5 L', 'Which to buy for what is poured.')->optional(),
        ], ['capacity' => '6.6 L', 'shelf']);
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
        return ['can', CanDrawing::of(self::read($in)[0])];
    }

    public function compute(Inputs $in): SumResult
    {
        [$mix, $strengths] = self::read($in);
        [$bought, $buy] = $in->has('shelf') && $mix->pour()->litres > 0.0 ? $this->buy($in, $mix->pour()) : [[], []];

        return $this->said($mix, $in->flag('incompatible'), $in->raw, $strengths, $bought, $buy);
    }

    /**
     * What was mixed elsewhere, with its working.
     *
     * @param array<string, mixed> $raw
     * @param list<Working> $strengths how the strengths were read
     * @param array<string, Value> $bought
     * @param list<Check> $buy
     */
    public function said(
        Mix $mix, bool $isIncompatible, array $raw = [], array $strengths = [], array $bought = [], array $buy = [],
    ): SumResult {
        [$washed, $washChecks, $washLines] = $isIncompatible ? $this->washedOut($mix) : [[], [], []];
        [$more, $checks, $lines] = match (true) {
            !$mix->isReachable() => $this->outOfReach($mix),
            !$isIncompatible || isset($washed['cycles']) && 1.0 === $washed['cycles']->value => [[], [$this->reachable($mix)], []],
            default => [[], [], []],
        };

        return new SumResult($this->about()->name, $raw, [
            'pour' => Value::of($mix->pour()->litres, Unit::Litre->value),
            'water' => Value::of($mix->water()->litres, Unit::Litre->value),
            'result' => Value::of($mix->result()->percent(), Unit::Percent->value),
        ] + $washed + $more + $bought, [
            ...$washChecks, ...$checks, ...$buy,
            ...($mix->target->ofOne > Mix::TOO_STRONG ? [
                Check::watch('too-strong', 'Past about 60 % more concentrate protects less and cools worse.'),
            ] : []),
        ], [...$strengths, ...$this->working($mix), ...$washLines, ...$lines]);
    }

    /**
     * @return array{Mix, list<Working>}
     *
     * @throws InvalidInput
     */
    private static function read(Inputs $in): array
    {
        $capacity = $in->volume('capacity');
        $drained = $in->volume('drained', 0.0, $capacity->litres);
        $base = $in->has('base') ? Glycol::named($in->text('base')) : Glycol::Ethylene;
        [$present, $presentLine] = self::strength($in, 'present', $base);
        [$target, $targetLine] = self::strength($in, 'target', $base);
        [$product, $productLine] = self::strength($in, 'product', $base);
        $product > 0.0 || throw InvalidInput::in('product', 'What is poured must hold some glycol: 100 for concentrate, 50 for premix.');

        return [
            Mix::of($capacity, $drained, Share::ofHundred($present), Share::ofHundred($target), Share::ofHundred($product)),
            array_values(array_filter([$presentLine, $targetLine, $productLine])),
        ];
    }

    private function reachable(Mix $mix): Check
    {
        return Check::ok('reachable', sprintf(
            'Pour %s L of the %s and %s L of water: %s %%.', Show::n($mix->pour()->litres, 3), self::named($mix->product),
            Show::n($mix->water()->litres, 3), Show::n($mix->result()->percent(), 3),
        ));
    }

    /** @return list<Working> */
    private function working(Mix $mix): array
    {
        return [
            Working::by($mix->pourFormula(), 'Coolant to pour', 'L', 'conservation of glycol'),
            Working::by($mix->waterFormula(), 'Water to pour', 'L', 'conservation of volume'),
            Working::by($mix->resultFormula(), 'Strength then', '%', 'conservation of glycol'),
        ];
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

    /** @return array{array<string, Value>, list<Check>} */
    private function buy(Inputs $in, Volume $pour): array
    {
        $sizes = $in->numbers('shelf', Kind::Volume);
        min($sizes) >= 0.05 && max($sizes) <= 60.0 && count($sizes) <= 12 || throw InvalidInput::in(
            'shelf', 'Give up to twelve sizes from 0.05 to 60 L, such as “1 L; 5 L”.',
        );
        $shelf = Shelf::buy($pour->litres, $sizes);

        return [['bought' => Value::of($shelf['bought'], Unit::Litre->value)], [Check::ok('buy', sprintf(
            'Buy %s for the %s L: %s L are left over.', Shelf::inWords($shelf['counts']), Show::n($pour->litres, 3),
            Show::n($shelf['bought'] - $pour->litres, 2),
        ))]];
    }

    /** @return array{array<string, Value>, list<Check>, list<Working>} */
    private function outOfReach(Mix $mix): array
    {
        [$wanted, $best] = [Show::n($mix->target->percent()), Show::n($mix->result()->percent(), 3)];
        if ($mix->isProductTooWeak()) {
            return [[], [Check::stop('product-too-weak', sprintf(
                '%s %% cannot be reached with a product of %s %%: use a stronger one. The best this drain allows is %s %%.', $wanted,
                Show::n($mix->product->percent()), $best,
            ))], []];
        }
        $need = Show::n($mix->drainNeeded()->litres, 3);
        $said = sprintf('%s %% is not reachable from this drain: the best is %s %%.', $wanted, $best);
        $values = ['drain_needed' => Value::of($mix->drainNeeded()->litres, Unit::Litre->value)];
        $lines = [$this->drainLine($mix)];
        if ($mix->needsAll()) {
            return [$values, [Check::stop('not-reachable', sprintf(
                '%s All %s L must come out; repeated drains only come closer.', $said, $need,
            ))], $lines];
        }
        $plan = FillCycles::toReach($mix);
        if (!$plan->reaches) {
            return [$values, [Check::stop('not-reachable', sprintf('%s Drain %s L at once.', $said, $need))], $lines];
        }

        return [$values + $this->planned($plan), [Check::stop('not-reachable', sprintf(
            '%s Drain %s L, or drain and fill %d times, run hot in between: %s.', $said, $need, $plan->count(), self::inWords($plan),
        ))], [...$lines, new Working(
            'Drain-and-fill cycles', 'c = ((V − D) c + pour cp) / V, again and again',
            sprintf('from %s %%', Show::n($mix->present->percent())), self::strengths($plan),
            'conservation of glycol; run it hot between the drains so that it mixes',
        )]];
    }

    private function drainLine(Mix $mix): Working
    {
        return Working::by(
            $mix->drainFormula(), 'Drain needed', 'L',
            'conservation of glycol, refilled with '.($mix->isToBeStronger()
                ? sprintf('the %s %% product', Show::n($mix->product->percent()))
                : 'water'),
        );
    }

    private static function strengths(FillCycles $plan): string
    {
        return sprintf('%s %%', implode(', ', array_map(static fn (Share $c): string => Show::n($c->percent(), 3), $plan->strengths)));
    }

    /** @return array<string, Value> */
    private function planned(FillCycles $plan): array
    {
        $litres = static fn (Volume $v): float => $v->litres;

        return [
            'cycles' => Value::of((float) $plan->count(), 'count'),
            'pours' => Value::listOf(array_map($litres, $plan->pours), Unit::Litre->value),
            'waters' => Value::listOf(array_map($litres, $plan->waters), Unit::Litre->value),
        ];
    }

    /** “first 2.46 L coolant and 1.64 L water, then twice 2.05 and 2.05”. */
    private static function inWords(FillCycles $plan): string
    {
        /** @var list<array{string, int}> $runs */
        $runs = [];
        foreach ($plan->pours as $i => $pour) {
            $said = sprintf('%s L coolant and %s L water', Show::n($pour->litres, 3), Show::n($plan->waters[$i]->litres, 3));
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

    private static function named(Share $product): string
    {
        return abs($product->ofOne - 1.0) < 1e-12 ? 'concentrate' : sprintf('%s %% mix', Show::n($product->percent()));
    }

    /**
     * Two families that must not mix: enough cycles to leave little of the old, each with what it takes so that the last ends right.
     *
     * @return array{array<string, Value>, list<Check>, list<Working>}
     */
    private function washedOut(Mix $mix): array
    {
        if ($mix->isHardlyDrained()) {
            return [[], [Check::stop(
                'flush', 'Hardly anything was drained: the old coolant cannot be washed out this way. Drain more, or flush.',
            )], []];
        }
        $plan = FillCycles::toWashOut($mix);
        $left = $plan->oldShare()->percent();
        $shares = array_map(static fn (Share $share): float => $share->percent(), $plan->oldShares);

        return [
            ['old_share' => Value::listOf($shares, Unit::Percent->value)] + $this->planned($plan), [$this->washed($mix, $plan)],
            [
                Working::by(
                    $old = FillCycles::oldFormula($mix, $plan->count()), 'Old coolant left after n cycles', '', 'geometric dilution',
                    result: $old->percent(),
                ),
                new Working(
                    'Strength after each', 'c = ((V − D) c + pour cp) / V', self::inWords($plan), self::strengths($plan),
                    'conservation of glycol',
                ),
            ],
        ];
    }

    private function washed(Mix $mix, FillCycles $plan): Check
    {
        $left = Show::n($plan->oldShare()->percent(), 2);
        if (1 === $plan->count()) {
            return Check::ok('incompatible', sprintf('One drain leaves %s %% of the old: little enough.', $left));
        }
        $ends = $plan->strength()->percent();
        $isThere = abs($ends - $mix->target->percent()) < 0.05;

        return new Check('incompatible', $isThere ? Level::Watch : Level::Stop, sprintf(
            'The families must not mix: %d drain-and-fill cycles leave %s %% of the old and end at %s %%%s. Pour %s. Run it hot '
                .'in between.',
            $plan->count(), $left, Show::n($ends, 3), $isThere ? '' : sprintf(', not %s', Show::n($mix->target->percent())),
            self::inWords($plan),
        ));
    }
}
