<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** What lies in front is still on, what lies behind is still off, or the part is not where this step needs it. */
final readonly class StripOrder implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $item = $ground->vehicle->items[$step->target->item] ?? null;
        $joint = $ground->vehicle->joints[$step->target->joint] ?? null;
        if (StepKind::Remove === $step->deed && null !== $item) {
            yield from self::onStill($ground, $step, $item->access->behind, 'The %s in front of it is still on.');
        } elseif (StepKind::Refit === $step->deed && null !== $item) {
            yield from self::offStill($ground, $step, $ground->vehicle->hiddenBy($item->id), 'The %s behind it is still off.');
            yield from self::onStill($ground, $step, [$item->id], 'The %s has not come off yet.');
        } elseif (StepKind::Tighten === $step->deed && null !== $joint) {
            yield from self::offStill($ground, $step, [$joint->item], 'The %s is still off.');
        }
    }

    /**
     * @param list<string> $items
     *
     * @return iterable<Row> those that the sheet has off by now, and are on
     */
    private static function onStill(Ground $ground, Step $step, array $items, string $text): iterable
    {
        $off = $ground->planned($step)->off;
        foreach ($items as $id) {
            if (isset($off[$id])) {
                yield self::row($ground, $step, Term::not(Term::ask(Atom::Off, $id)), StepKind::Remove, $id, $text);
            }
        }
    }

    /**
     * @param list<string> $items
     *
     * @return iterable<Row> those that the sheet has on again, and are off
     */
    private static function offStill(Ground $ground, Step $step, array $items, string $text): iterable
    {
        $off = $ground->planned($step)->off;
        foreach ($items as $id) {
            if (!isset($off[$id])) {
                yield self::row($ground, $step, Term::ask(Atom::Off, $id), StepKind::Refit, $id, $text);
            }
        }
    }

    private static function row(Ground $ground, Step $step, Term $when, StepKind $deed, string $item, string $text): Row
    {
        return Row::reason(
            'strip-order', $when, sprintf($text, $ground->vehicle->items[$item]->name ?? 'part'),
            $ground->handling($deed, $item, $step),
        );
    }
}
