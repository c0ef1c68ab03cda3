<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Bolting\ThreadCondition;
use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Joint;

/**
 * What is on a thread is what its figure is meant for: no locker where it gets too hot for one, neither locker nor a dry figure on a
 * thread that a step has oiled or greased and none has degreased since; nothing at all on one that goes in as it was supplied.
 */
final readonly class ThreadsAsMeant implements Rule
{
    /** °C at which a locker whose own sheet nobody has read is taken to let go; it is weaker well below that. */
    public const LOCKER_HOLDS = 150.0;
    private const OILS = '~\b(?:oil|penetrant|grease|anti-seize)\b~i';
    private const PUT_ON = '~\b(?:oil|penetrant|grease|anti-seize|locker|threadlocker|sealant|degreaser|brake cleaner)\b~i';
    private const CLEANS = '~\b(?:degreaser|brake cleaner|solvent|isopropanol)\b~i';

    public function rows(Ground $ground, Step $step): iterable
    {
        $joint = StepKind::Tighten === $step->deed ? $ground->vehicle->joints[$step->target->joint] ?? null : null;
        if (null === $joint) {
            return;
        }
        if (self::isLocked($joint) && $joint->seat->heat > self::LOCKER_HOLDS) {
            yield Row::reason('locker-in-heat', Term::always(), sprintf(
                'The %s get %s °C, and a locker holds to %s where nobody knows more of it.', $joint->name, $joint->seat->heat,
                self::LOCKER_HOLDS,
            ), $step->id);
        }
        foreach ($joint->seat->isAsSupplied() ? self::before($ground, $step, $joint, self::PUT_ON) : [] as $put) {
            yield Row::reason('oiled-thread', Term::ask(Atom::Closed, $put->id), sprintf(
                'The %s go in as supplied, and “%s” put something on their threads or washed them.', $joint->name, $put->words->title,
            ), $put->id);
        }
        $isMeantClean = self::isLocked($joint) || ThreadCondition::Dry->value === $joint->seat->friction;
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
            '' !== $one->target->joint && StepKind::Tighten !== $one->deed && $one->itemOn($ground->vehicle) === $joint->item
                && $ground->sheet->placeOf($one->id) < $place
        )));
    }

    private static function isLocked(Joint $joint): bool
    {
        return str_contains($joint->seat->compound, 'locker');
    }
}
