<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Kit;

/** What the workshop owns, as far as a plan needs to know. Tools are matched by their name. */
final readonly class Kit
{
    /** @var array<string, true> */
    private array $names;

    /**
     * @param list<Wrench> $wrenches
     * @param list<string> $tools
     */
    public function __construct(public array $wrenches, public array $tools)
    {
        $this->names = array_fill_keys(array_map(mb_strtolower(...), $tools), true);
    }

    public function has(string $tool): bool
    {
        return isset($this->names[mb_strtolower($tool)]);
    }

    /** The wrench to take for a torque at its drive, in N·m: in date before out of date, then the least error band. */
    public function pick(float $torque): ?Wrench
    {
        $usable = array_values(array_filter($this->wrenches, static fn (Wrench $wrench): bool => $wrench->reaches($torque)));
        usort(
            $usable,
            static fn (Wrench $a, Wrench $b): int => [
                $a->isPastCalibration(), $a->error, $a->max, $a->name,
            ] <=> [$b->isPastCalibration(), $b->error, $b->max, $b->name],
        );

        return $usable[0] ?? null;
    }
}
