<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Event;

use NimbleKnuckle\Core\CoreException;
use NimbleKnuckle\Core\Safety\Bar;
use NimbleKnuckle\Core\Safety\Obstacle;

/** Something that cannot have happened like this; the sentence tells what is missing. */
final class InvalidEvent extends \DomainException implements CoreException
{
    /** So many obstacles are told, how many more there are, and who could overrule them. */
    public const MOST = 3;
    public const MORE = ' And %d more.';
    public const LEAD = ' Only a lead overrules this.';

    /** @param bool $isOutOfOrder something that can be mended stood in the way of a step: the mark itself is whole */
    private function __construct(
        public readonly string $field, string $message, public readonly bool $isOutOfOrder = false, public readonly bool $isOther = false,
    ) {
        parent::__construct($message);
    }

    public static function in(string $field, string $message): self
    {
        return new self($field, $message);
    }

    /** The id stands in the log already, for something else. */
    public static function other(FitEvent $kept): self
    {
        return new self('id', sprintf(
            'Under the id of this mark something else is kept already, by %s: %s. Both stay: look at it, then send this one again.',
            $kept->by, $kept->type->label(),
        ), false, true);
    }

    /** @param list<Obstacle> $obstacles the hardest first */
    public static function dueToObstacles(array $obstacles, bool $isLead): self
    {
        $said = implode(' ', array_map(static fn (Obstacle $one): string => $one->text, array_slice($obstacles, 0, self::MOST)));
        $more = count($obstacles) - self::MOST;

        return new self(
            'step',
            $said
                .($more > 0 ? sprintf(self::MORE, $more) : '')
                .(Bar::Lead === Obstacle::hardest($obstacles) && !$isLead ? self::LEAD : ''),
            true,
        );
    }
}
