<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Law\Before;

use NimbleKnuckle\Core\Plan\Law\Ground;
use NimbleKnuckle\Core\Plan\Law\Rule;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\Joint;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;

/**
 * What is on a thread is what its figure is meant for: no locker where it gets too hot for one, neither locker nor a dry figure on a
 * thread that a step has oiled and none has degreased since.
 */
final readonly class ThreadsAsMeant implements Rule
{
    /** °C at which a locker whose own sheet nobody has read is taken to let go; it is weaker well below that. */
    public const LOCKER_HOLDS = 150.0;
    private const OILS = '~\b(?:oil|penetrant)\b~i';
    private const CLEANS = '~\b(?:degreaser|brake cleaner|solvent|isopropanol)\b~i';

    public function rows(Ground $ground, Step $step): iterable
    {
        $joint = Deed::Tighten === $step->deed ? $ground->vehicle->joints[$step->target->joint] ?? null : null;
        if (null === $joint) {
            return;
        }
        if (self::isLocked($joint) && $joint->seat->heat > self::LOCKER_HOLDS) {
            yield Row::reason('locker-in-heat', Term::always(), sprintf(
                'The %s get %s °C, and a locker holds to %s where nobody knows more of it.', $joint->name, $joint->seat->heat,
                self::LOCKER_HOLDS,
            ), $step->id);
        }
        $isMeantClean = self::isLocked($joint) || 'dry zinc' === $joint->seat->friction;
        foreach ($isMeantClean ? self::before($ground, $step, $joint, self::OILS) : [] as $oil) {
            $cleaned = array_filter(
                self::before($ground, $step, $joint, self::CLEANS),
                static fn (Step $one): bool => $ground->sheet->placeOf($one->id) > $ground->sheet->placeOf($oil->id),
            );
            $isClean = Term::any(...array_values(array_map(static fn (Step $one): Term => Term::ask(Atom::Closed, $one->id), $cleaned)));
            yield Row::reason('oiled-thread', Term::all(Term::ask(Atom::Closed, $oil->id), Term::not($isClean)), sprintf(
                'The threads of the %s were oiled at “%s”, and the figure is meant for %s ones.', $joint->name, $oil->words->title,
                self::isLocked($joint) ? 'clean, locked' : 'dry',
            ), $oil->id);
        }
    }

    /** @return list<Step> those before it that put such a thing on a thread of the same item */
    private static function before(Ground $ground, Step $step, Joint $joint, string $what): array
    {
        $place = $ground->sheet->placeOf($step->id);

        return '' === $joint->item ? [] : array_values(array_filter($ground->using($what), static fn (Step $one): bool => (
            '' !== $one->target->joint && Deed::Tighten !== $one->deed && $one->itemOn($ground->vehicle) === $joint->item
                && $ground->sheet->placeOf($one->id) < $place
        )));
    }

    private static function isLocked(Joint $joint): bool
    {
        return str_contains($joint->seat->compound, 'locker');
    }
}
