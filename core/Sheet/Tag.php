<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sheet;

/** Marks on steps that the compiler sets or finds and the law asks for. They stand on kept sheets: none is ever renamed. */
final readonly class Tag
{
    /** The tools are counted before the engine runs. */
    public const TOOL_COUNT = 'tool-count';
    /** What was unplugged and guards something is looked over. */
    public const ENDS_LOOK = 'ends-look';
    /** Before the id of an item whose ends such a look is for. */
    private const LOOKS_AT = 'looks-at.';
    /** A start that may be on stands, with its caution. */
    public const ON_STANDS = 'on-stands';
    /** A flywheel lock or timing pins go in; come out. */
    public const LOCKED = 'flywheel-locked';
    public const UNLOCKED = 'flywheel-unlocked';

    /** On a look over what was unplugged: that it is for the ends of this item. */
    public static function looksAt(string $item): string
    {
        return self::LOOKS_AT.$item;
    }

    /**
     * @param list<string> $tags
     *
     * @return list<string> items whose ends the step looks at; none on a sheet made before that was told apart
     */
    public static function lookedAt(array $tags): array
    {
        $named = array_filter($tags, static fn (string $one): bool => str_starts_with($one, self::LOOKS_AT));

        return array_values(array_map(static fn (string $one): string => substr($one, strlen(self::LOOKS_AT)), $named));
    }
}
