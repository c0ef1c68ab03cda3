<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\CoreException;

/** No sheet can be made from this; the sentence says what to enter or change. */
final class UnplannableFit extends \DomainException implements CoreException
{
    private function __construct(public readonly string $field, string $message)
    {
        parent::__construct($message);
    }

    /** @param non-empty-list<Missing> $missing all of it, so that it is entered in one go */
    public static function dueToMissing(array $missing, string $vehicle): self
    {
        $named = array_map(static fn (Missing $one): string => sprintf('%s “%s”', $one->kind, $one->name()), $missing);
        $last = array_pop($named);

        return new self('vehicle', sprintf(
            'The vehicle sheet of %s has no %s: enter %s there first.', $vehicle,
            [] === $named ? $last : implode(', ', $named).' and '.$last, [] === $named ? 'it' : 'them',
        ));
    }

    /** @param list<string> $cycle */
    public static function dueToCycle(array $cycle): self
    {
        return new self(
            'vehicle',
            sprintf(
                'These lie in front of each other in a circle, so none can come off first: %s. Correct what is behind what on '
                    .'the vehicle sheet.',
                implode(' → ', $cycle),
            ),
        );
    }

    public static function dueToChoice(string $group, string $option): self
    {
        return new self(
            $group, sprintf('“%s” is no answer to “%s”: choose one that is offered.', mb_substr($option, 0, 40), $group),
        );
    }

    public static function dueToSamePart(string $one, string $other): self
    {
        return new self('procedure', sprintf('“%s” and “%s” change the same part: choose one of the two.', $one, $other));
    }

    public static function dueToItem(string $message): self
    {
        return new self('item', $message);
    }

    public static function dueToNoProcedure(): self
    {
        return new self('procedure', 'Choose at least one procedure.');
    }

    public static function dueToDeadlock(string $what): self
    {
        return new self('procedure', sprintf('“%s” can never be reached: what it waits for comes only after it.', $what));
    }
}
