<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Photo\MarkKind;
use NimbleKnuckle\Core\Procedure\PictureRequest;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Refusal;
use NimbleKnuckle\Core\Safety\Term;

/** A picture belongs to a step; what is drawn on one lies on it, in shares of its width and height. */
final readonly class PhotoLaw
{
    /** Pixels of the longer side. */
    public const MOST_PX = 1600;
    /** Pixels of the longer side of one that proves something: in less nobody sees anything. */
    private const LEAST_OF_PROOF = 240;
    private const MOST_MARKS = 60;
    private const LONGEST_TEXT = 60;

    /** @return list<Refusal> */
    public static function refusals(EventType $type): array
    {
        return EventType::PhotoTaken === $type ? self::photo() : self::mark();
    }

    /** @return list<Refusal> */
    private static function photo(): array
    {
        [$shot, $field] = [Term::ask(Atom::Given, 'shot'), Term::ask(Atom::Given, 'field')];
        [$width, $height] = [Term::ask(Atom::Given, 'width'), Term::ask(Atom::Given, 'height')];
        $shots = array_map(static fn (PictureRequest $one): Term => Term::same($shot, $one->value), PictureRequest::cases());

        return [
            Refusal::in(
                'hash', Term::not(Term::ask(Atom::IsHash, Term::ask(Atom::Given, 'hash'))), 'A picture goes by the SHA-256 of its file.',
            ),
            Refusal::in(
                'width', Term::any(
                    Term::less($width, 1), Term::less($height, 1), Term::less(self::MOST_PX, $width), Term::less(self::MOST_PX, $height),
                ),
                sprintf('A picture has 1 to %d pixels each way.', self::MOST_PX),
            ),
            Refusal::in(
                'width', Term::all(
                    Term::any(Term::same($shot, PictureRequest::Proof->value), Term::not(Term::same($field, ''))),
                    Term::less($width, self::LEAST_OF_PROOF), Term::less($height, self::LEAST_OF_PROOF),
                ),
                sprintf('What proves something is seen in it: %d pixels or more.', self::LEAST_OF_PROOF),
            ),
            Refusal::in(
                'shot', Term::not(Term::any(Term::same($shot, ''), ...$shots)),
                'A picture shows how it was before, how it is after, or proves something.',
            ),
            Refusal::in(
                'field', Term::not(Term::any(Term::same($field, ''), Term::ask(Atom::Asks, Term::ask(Atom::Given, 'step'), $field))),
                'This step does not ask for that.',
            ),
        ];
    }

    /** @return list<Refusal> */
    private static function mark(): array
    {
        [$photo, $kind, $text] = [Term::ask(Atom::Given, 'photo'), Term::ask(Atom::Given, 'kind'), Term::ask(Atom::Given, 'text')];
        $is = static fn (MarkKind $one): Term => Term::same($kind, $one->value);
        $written = Term::any(...array_map($is, array_filter(MarkKind::cases(), static fn (MarkKind $one): bool => $one->isWritten())));
        $beside = static fn (string $name): Term => Term::any(
            Term::less(Term::ask(Atom::Given, $name), 0), Term::less(1, Term::ask(Atom::Given, $name)),
        );

        return [
            Refusal::in('photo', Term::not(Term::ask(Atom::IsPhoto, $photo)), 'There is no such picture in this fit.'),
            Refusal::in(
                'photo', Term::not(Term::less(Term::ask(Atom::PhotoMarks, $photo), self::MOST_MARKS)),
                sprintf('%d marks are enough for one picture: take another one.', self::MOST_MARKS),
            ),
            Refusal::in(
                'kind', Term::not(Term::any(...array_map($is, MarkKind::cases()))),
                sprintf('What is drawn is one of %s.', implode(', ', array_column(MarkKind::cases(), 'value'))),
            ),
            ...array_map(static fn (string $name): Refusal => Refusal::in($name, $beside($name), 'That lies beside the picture.'), [
                'x', 'y', 'to_x', 'to_y',
            ]),
            Refusal::in('text', Term::all($written, Term::same($text, '')), 'Write what it says.'),
            Refusal::in(
                'text', Term::all(Term::not($written), Term::not(Term::same($text, ''))),
                'Nothing is written on that; put a text beside it.',
            ),
            Refusal::in(
                'text', Term::less(self::LONGEST_TEXT, Term::ask(Atom::Length, $text)),
                sprintf('At most %d letters fit on a picture.', self::LONGEST_TEXT),
            ),
        ];
    }
}
