<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Share;

/**
 * Mounts old and new: how far each had sagged under its load, and how much less the engine rocks. What counts as tired and what
 * as better are working values; the maker's wear limit goes before them.
 */
final readonly class MountWear
{
    /** mm. */
    public const SETTLED = 2.0;
    public const TIRED = 5.0;
    /** Of the rock before: at most this much is left of it, or it was not the mounts alone. */
    public const BETTER = 0.7;
    public const SAME = 0.9;

    /** @param list<Length> $sags new less old, mount by mount */
    private function __construct(public array $sags, public Share $rock)
    {
    }

    /**
     * @param list<Length> $old heights under load
     * @param list<Length> $new the new ones', in the same order
     * @param Length $before end to end at the ruler
     */
    public static function of(array $old, array $new, Length $before, Length $after): self
    {
        return new self(
            array_map(static fn (Length $was, Length $is): Length => $is->minus($was), $old, $new),
            Share::ofOne($after->over($before)),
        );
    }

    /** The most that one of them had sagged; nothing where none was measured. */
    public function most(): Length
    {
        return Length::millimetres([] === $this->sags ? 0.0 : max(array_map(
            static fn (Length $sag): float => $sag->millimetres, $this->sags,
        )));
    }
}
