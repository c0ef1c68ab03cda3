<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Fact\Settled;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Refusal;
use NimbleKnuckle\Core\Safety\Term;

/** Pieces are counted, fall, break and are replaced only as far as there are any. */
final readonly class PieceLaw
{
    /** More than this of one kind is a slip of the finger, not a vehicle that differs from its sheet. */
    private const MOST_OVER = 20;

    /** @return list<Refusal> */
    public static function refusals(EventType $type): array
    {
        $of = [Term::ask(Atom::Given, 'step'), Term::ask(Atom::Given, 'thing')];
        $named = Refusal::in('step', Term::not(Term::ask(Atom::IsStep, $of[0])), 'Say at which step.');
        $mine = Refusal::in('thing', Term::not(Term::ask(Atom::InTray, ...$of)), 'That does not belong to this tray.');

        return match ($type) {
            EventType::Found => [Refusal::in(
                'dropped', Term::not(Term::ask(Atom::IsDropped, Term::ask(Atom::Given, 'dropped'))), 'Nothing like that is missing.',
            )],
            EventType::CountedAll => [
                $named,
                Refusal::in('step', Term::not(Term::ask(Atom::HasTray, $of[0])), 'There is nothing to count at this step.'),
                Refusal::in('thing', Term::always(), self::noneLeft(Term::it(0), Term::it(1)))->overEach(Term::ask(Atom::TooFew, $of[0])),
            ],
            EventType::Counted => [$named, $mine, ...self::counted($of)],
            EventType::Replaced => [$named, $mine, Refusal::in(
                'thing', Term::not(Term::less(Term::ask(Atom::Fresh, ...$of), Term::ask(Atom::Expected, ...$of))),
                'More new ones than there are places.',
            )],
            EventType::Broke => [$named, $mine, self::isOne($of)],
            EventType::Settled => [$named, $mine, ...self::settled($of)],
            default => self::ofAThing([$named, $mine, self::isOne($of)], $of[1]),
        };
    }

    /**
     * @param array{Term, Term} $of
     *
     * @return list<Refusal>
     */
    private static function counted(array $of): array
    {
        $by = Term::ask(Atom::Given, 'by');
        $takesOff = Term::ask(Atom::TakesOff, $of[0]);
        $tray = Term::plus(Term::ask(Atom::Tray, ...$of), $by);
        $back = Term::plus(Term::ask(Atom::Back, ...$of), $by);
        $less = 'A tray cannot hold less than nothing.';

        return [
            Refusal::in('by', Term::all($takesOff, Term::less($tray, 0)), $less),
            Refusal::in(
                'by', Term::all($takesOff, Term::less(Term::plus(Term::ask(Atom::Expected, ...$of), self::MOST_OVER), $tray)),
                Term::say('The sheet says %s. Correct the sheet if there are more.', Term::ask(Atom::Expected, ...$of)),
            ),
            Refusal::in('by', Term::all(Term::not($takesOff), Term::less($back, 0)), $less),
            Refusal::in(
                'thing', Term::all(Term::not($takesOff), Term::less(0, $by), Term::less(Term::ask(Atom::AtHand, ...$of), $back)),
                self::noneLeft($of[1], Term::ask(Atom::PiecesSaid, ...$of)),
            ),
        ];
    }

    /**
     * An end that stays off is settled where it would go back, by a word of its own; one that guards something, by a lead.
     *
     * @param array{Term, Term} $of
     *
     * @return list<Refusal>
     */
    private static function settled(array $of): array
    {
        $how = Term::ask(Atom::Given, 'how');
        $is = array_map(static fn (string $one): Term => Term::same($how, $one), array_keys(Settled::HOW));

        return [
            Refusal::in('thing', Term::not(Term::ask(Atom::IsEnd, ...$of)), 'Only a plug, hose, line, clip or earth is settled otherwise.'),
            Refusal::in('step', Term::ask(Atom::TakesOff, $of[0]), 'That is said where it would go back.'),
            Refusal::in('how', Term::not(Term::any(...$is)), 'An end is capped for good, or it is moved over.'),
            Refusal::in(
                'thing', Term::all(Term::ask(Atom::EndGuards, ...$of), Term::not(Term::ask(Atom::Lead))),
                Term::say('%s: the vehicle relies on it. Only a lead leaves it off.', Term::capital($of[1])),
            ),
            Refusal::in(
                'thing', Term::not(Term::less(Term::ask(Atom::Back, ...$of), Term::ask(Atom::AtHand, ...$of))),
                self::noneLeft($of[1], Term::ask(Atom::PiecesSaid, ...$of)),
            ),
        ];
    }

    /** @param array{Term, Term} $of */
    private static function isOne(array $of): Refusal
    {
        return Refusal::in(
            'thing', Term::less(Term::ask(Atom::ToLose, ...$of), 1), self::noneLeft($of[1], Term::ask(Atom::PiecesSaid, ...$of)),
        );
    }

    /**
     * What fell or went wrong need not be a piece of a tray.
     *
     * @param list<Refusal> $refusals
     *
     * @return list<Refusal>
     */
    private static function ofAThing(array $refusals, Term $thing): array
    {
        return array_map(static fn (Refusal $one): Refusal => $one->onlyWhen(Term::not(Term::same($thing, ''))), $refusals);
    }

    private static function noneLeft(Term $thing, Term $said): Term
    {
        return Term::say('%s: %s. Say what was found or what is new.', Term::capital($thing), $said);
    }
}
