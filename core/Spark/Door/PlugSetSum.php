<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Spark\Door;

use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Spark\PlugLook;
use NimbleKnuckle\Core\Spark\PlugSet;
use NimbleKnuckle\Core\Spark\SetDrawing;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Entries;
use NimbleKnuckle\Core\Sum\Entry;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/** The door of a set of plugs that came out: cylinder, mm and look in; the odd one, wear, and what it points to out. */
final readonly class PlugSetSum implements Sum
{
    private const MOST = 16;

    public function about(): About
    {
        return new About('plug-set', 'Old plugs side by side', 'Spark and starting', static fn (): array => [
            Field::text(
                'plugs', 'Plugs, in cylinder order', '1 0.92 tan; 2 0.94 tan; 3 1.15 white; 4 0.91 tan',
                'Cylinder, gap in mm, look: tan, black-dry, black-wet, white, blistered, oil, ash, cracked, bridged.',
            ),
            Field::quantity('new_gap', 'Gap when new', Kind::Length, '0.8 mm')->within(0.1, 3.0)->optional(),
            Field::quantity('km', 'They ran', Kind::Distance, '48 000 km')->within(100.0, 1.0e6)->optional(),
        ], ['new_gap', 'km' => '48000 km']);
    }

    public function headline(SumResult $r): Headline
    {
        $odd = $r->entries('odd');

        return new Headline(
            [] === $odd ? 'None is odd' : 'Odd: '.implode(', ', array_map(strval(...), $odd)),
            $r->has('wear') ? [Headline::figure($r->number('wear'), 'mm')] : [Headline::figure($r->number('middle'), 'mm')],
            $r->has('wear') ? 'of wear in 10 000 km' : 'in the middle',
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        [$cylinders, $gaps, $looks] = self::plugs($in);

        return ['plugs', SetDrawing::of($cylinders, $gaps, $looks, PlugSet::of($gaps, $looks))];
    }

    public function compute(Inputs $in): SumResult
    {
        [$cylinders, $gaps, $looks] = self::plugs($in);
        $set = PlugSet::of($gaps, $looks);
        $odd = array_values(array_unique([...$set->oddGaps, ...$set->oddLooks]));
        sort($odd);
        $wear = self::wear($in, $set);
        $name = static fn (int $i): string => sprintf('cylinder %d', $cylinders[$i]);

        return new SumResult($this->about()->name, $in->raw, [
            'odd' => Value::names(array_map($name, $odd)), 'middle' => Value::of($set->middle, Unit::Millimetre->value),
            'z' => Value::listOf($set->z, Unit::One->value),
        ] + (null === $wear ? [] : ['wear' => Value::of($wear, Unit::Millimetre->value)]), self::judged($set, $cylinders, $looks, $gaps), [
            new Working('Odd by its gap', sprintf('z = %s (gap − middle)/spread', PlugSet::NORMAL), sprintf(
                'middle %s mm, spread at least %s mm', Show::n($set->middle, 3), Show::n(PlugSet::LEAST_SPREAD),
            ), [] === $set->oddGaps ? 'none over '.Show::n(PlugSet::ODD) : implode(
                ', ', array_map($name, $set->oddGaps)
            ), 'Iglewicz and Hoaglin'),
            new Working(
                'Odd by its look', 'unlike that of most',
                null === $set->most ? 'most have no look in common' : 'most are '.$set->most->value,
                [] === $set->oddLooks ? 'none' : implode(', ', array_map($name, $set->oddLooks)), 'as compared with the drawn faces',
            ),
        ]);
    }

    private static function wear(Inputs $in, PlugSet $set): ?float
    {
        if (!$in->has('new_gap') || !$in->has('km')) {
            return null;
        }
        $km = $in->number('km', Kind::Distance);
        $wear = $set->wear($in->length('new_gap')->millimetres, $km);

        return $wear > -0.02 ? max(0.0, $wear) : throw InvalidInput::in(
            'new_gap', 'They stand closer than when they were new: this gap, or those measured, is not right.',
        );
    }

    /**
     * @param non-empty-list<int> $cylinders
     * @param list<?PlugLook> $looks
     * @param non-empty-list<float> $gaps
     *
     * @return non-empty-list<Check>
     */
    private static function judged(PlugSet $set, array $cylinders, array $looks, array $gaps): array
    {
        $checks = [];
        foreach ($looks as $i => $look) {
            $isOdd = in_array($i, $set->oddLooks, true);
            if (null !== $look && ($isOdd || $look->isSpent())) {
                $said = sprintf('Cylinder %d, %s: %s', $cylinders[$i], $look->value, self::pointsTo($look));
                $checks[] = $look->isSpent() ? Check::stop('spent', $said) : Check::watch('odd-look', $said);
            }
        }
        foreach ($set->oddGaps as $i) {
            $checks[] = Check::watch('odd-gap', sprintf(
                'Cylinder %d, %s mm and %s is usual: another plug, bent, or %s.', $cylinders[$i], Show::n($gaps[$i], 3),
                Show::n($set->middle, 3), $gaps[$i] > $set->middle ? 'this one ran hotter' : 'it was knocked',
            ));
        }
        if (null !== $set->most && [] === $set->oddLooks && PlugLook::Tan !== $set->most && !$set->most->isSpent()) {
            $checks[] = Check::watch('all-alike', sprintf('All are %s: %s', $set->most->value, self::pointsTo($set->most)));
        }

        return [] === $checks ? [Check::ok('even', 'They are even: nothing here points to one cylinder.')] : $checks;
    }

    private static function pointsTo(PlugLook $look): string
    {
        return match ($look) {
            PlugLook::Tan => 'sound, unlike the others.',
            PlugLook::BlackDry => 'too much fuel, short trips, or a weak spark.',
            PlugLook::BlackWet => 'fuel that did not burn: no spark, an injector that drips, low compression.',
            PlugLook::White => 'hot or lean: air drawn in beside, too little fuel, too early a spark.',
            PlugLook::Blistered => 'far too hot: heat range, knock, cooling. It is not used again.',
            PlugLook::Oil => 'oil: rings, valve seals, or the well was wet.',
            PlugLook::Ash => 'oil burnt over a long time, or what was put into the fuel.',
            PlugLook::Cracked => 'knock, or bent when it was gapped. Look for the piece.',
            PlugLook::Bridged => 'a deposit lies across it. Look where it came from.',
        };
    }

    /** @return array{non-empty-list<int>, non-empty-list<float>, non-empty-list<?PlugLook>} */
    private static function plugs(Inputs $in): array
    {
        $words = [];
        foreach (PlugLook::cases() as $look) {
            array_push($words, $look->value, str_replace(' ', '-', $look->value));
        }
        $entries = (new Entries(['cylinder' => Kind::Number, 'gap' => Kind::Length], ['look' => [...$words, 'tan']]))->of($in, 'plugs');
        count($entries) <= self::MOST || throw InvalidInput::in('plugs', sprintf('%d plugs at most.', self::MOST));
        foreach ($entries as $i => $one) {
            $one->number('gap') >= 0.1 && $one->number('gap') <= 4.0 || throw InvalidInput::in(
                'plugs', sprintf('Plug %d: its gap is from 0.1 to 4 mm.', $i + 1),
            );
            $one->number('cylinder') >= 1.0 && $one->number('cylinder') <= 32.0 || throw InvalidInput::in(
                'plugs', sprintf('Plug %d: the cylinder comes first, from 1 to 32.', $i + 1),
            );
        }

        return [
            array_map(static fn (Entry $one): int => (int) round($one->number('cylinder')), $entries),
            array_map(static fn (Entry $one): float => $one->number('gap'), $entries),
            array_map(static fn (Entry $one): ?PlugLook => self::look($one->word('look', '')), $entries),
        ];
    }

    private static function look(string $word): ?PlugLook
    {
        return 'tan' === $word ? PlugLook::Tan : PlugLook::tryFrom(str_replace('-', ' ', $word));
    }
}
