<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChainDrive\Door;

use NimbleKnuckle\Core\ChainDrive\ChainFault;
use NimbleKnuckle\Core\ChainDrive\ChainTravel;
use NimbleKnuckle\Core\ChainDrive\PlungerDrawing;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/** The door of the chain tensioner: mm of travel and seconds of rattle in, tensioner or chain out. */
final readonly class ChainTravelSum implements Sum
{
    public function about(): About
    {
        return new About('chain-travel', 'Tensioner or chain', 'What turns', static fn (): array => [
            Field::quantity(
                'travel', 'Plunger stands out by', Kind::Length, '9.5 mm', 'As it came off, before anything is pressed in.'
            )->within(0.0, 200.0),
            Field::quantity(
                'limit', 'Maker’s limit', Kind::Length, '12 mm', 'How far it may stand out with a chain that is sound.'
            )->within(0.5, 100.0),
            Field::quantity('rattle', 'Rattle after a cold start', Kind::Duration, '4 s')->optional(),
            Field::flag('sinks', 'Filled with oil, it gives way under a thumb'),
        ], ['rattle']);
    }

    public function headline(SumResult $r): Headline
    {
        $left = $r->number('left');

        return new Headline(sprintf('It is %s', match (ChainFault::from((string) ($r->entries('fault')[0] ?? ''))) {
            ChainFault::None => 'sound', ChainFault::Tensioner => 'the tensioner',
            ChainFault::ChainSoon => 'soon the chain', ChainFault::Chain => 'the chain',
        }), [Headline::figure($r->number('share'), '%')], sprintf(
            'of the travel it may have; %s mm %s', Show::n(abs($left), 2), $left < 0.0 ? 'too far' : 'left',
        ));
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['plunger', PlungerDrawing::of(self::chain($in), $in->length('limit')->millimetres)];
    }

    private static function chain(Inputs $in): ChainTravel
    {
        return ChainTravel::of(
            $in->length('travel'), $in->length('limit'),
            $in->has('rattle') ? $in->seconds('rattle', 0.0, 600.0) : null, $in->flag('sinks'),
        );
    }

    public function compute(Inputs $in): SumResult
    {
        $chain = self::chain($in);

        return new SumResult($this->about()->name, $in->raw, [
            'fault' => Value::names([$chain->fault->value]), 'share' => Value::of(100 * $chain->used->value, Unit::Percent->value),
            'left' => Value::of($chain->left->millimetres, Unit::Millimetre->value),
        ], [self::judged($chain), ...self::rattles($chain, $in)], [
            Working::by($chain->used, 'Used up', '', sprintf(
                'the limit is the maker’s; from %s %% it is said, a working value', Show::n(100 * ChainTravel::NEAR),
            ), result: $chain->used->percent(3)),
        ]);
    }

    private static function judged(ChainTravel $chain): Check
    {
        return match ($chain->fault) {
            ChainFault::Chain => Check::stop(
                'chain', 'The plunger is out past its limit: the chain has grown. A new tensioner does not mend it; plan the chain.',
            ),
            ChainFault::Tensioner => Check::watch(
                'tensioner', 'The chain is inside its limit and the tensioner does not hold its oil: renew the tensioner.',
            ),
            ChainFault::ChainSoon => Check::watch('chain-soon', 'Most of the travel is used up: the chain is next.'),
            ChainFault::None => Check::ok('sound', 'The chain is inside its limit.'),
        };
    }

    /** @return list<Check> */
    private static function rattles(ChainTravel $chain, Inputs $in): array
    {
        if (!$in->has('rattle')) {
            return [Check::watch('not-timed', 'The rattle was not timed: start it cold and take the time.')];
        }

        return $chain->isLate && ChainFault::None === $chain->fault
            ? [Check::watch('late', 'It rattles for longer than oil takes to reach it: look at oil level and grade too.')] : [];
    }
}
