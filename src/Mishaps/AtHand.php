<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Mishaps;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Sheet\Mishap\MishapOf;
use NimbleKnuckle\Core\Sheet\Step;

/** One thing at a step that something can happen to. */
final readonly class AtHand
{
    /** What is written in, since the step does not name it. */
    public const OTHER = 'other';
    /** More fasteners than this are not listed one by one. */
    private const MOST = 16;

    /** @param string $piece the line of the tray, where it is a piece of one */
    private function __construct(
        public string $key, public string $name, public string $piece = '', public string $item = '', public string $joint = '',
    ) {
    }

    public static function other(string $name, Fit $fit, Step $step): self
    {
        return new self(self::OTHER, $name, item: $step->itemOn($fit->vehicle));
    }

    /** @return array<string, self> the likeliest first */
    public static function at(Fit $fit, Step $step, MishapOf $of): array
    {
        $item = $step->itemOn($fit->vehicle);
        $name = $fit->vehicle->items[$item]->name ?? '';
        $pieces = array_map(static fn ($line): self => self::piece($fit, $line->thing, $item, $name), $step->needs->tray);
        $found = MishapOf::Part === $of
            ? [...'' === $name ? [] : [new self('item', $name, item: $item)], ...self::newParts($step, $item), ...$pieces]
            : [...self::fasteners($fit, $step, $item), ...$pieces];

        return array_column($found, null, 'key');
    }

    /** @return list<self> the fasteners of the joint that is tightened, the one in turn first */
    private static function fasteners(Fit $fit, Step $step, string $item): array
    {
        $joint = $fit->vehicle->joints[$step->target->joint] ?? null;
        if (null === $joint) {
            return [];
        }
        $name = trim($joint->fastener->thread.' '.self::one($joint->name));
        if ($joint->count() > self::MOST || 1 === $joint->count()) {
            return [new self('joint', $name, item: $item, joint: $joint->id)];
        }
        $next = max(1, $fit->joints()->nextBolt($joint)[0]);

        return array_map(static fn (int $number): self => new self(
            'joint '.$number, sprintf('%s %d', $name, $number), item: $item, joint: $joint->id,
        ), array_values(array_unique([$next, ...range(1, $joint->count())])));
    }

    /** One of what a joint or a tray names together. */
    private static function one(string $name): string
    {
        return (string) preg_replace('/\b(bolt|nut|stud|screw|clamp|clip)s\b/', '$1', $name);
    }

    private static function piece(Fit $fit, string $thing, string $item, string $name): self
    {
        $joints = array_filter($fit->vehicle->jointsOf($item), static fn ($joint): bool => str_ends_with($thing, $joint->name));
        $joint = [] === $joints ? '' : reset($joints)->id;
        $said = self::one('' !== $joint || '' === $name || str_contains($thing, $name) ? $thing : $thing.' of the '.$name);

        return new self('piece '.$thing, $said, $thing, $item, $joint);
    }

    /** @return list<self> */
    private static function newParts(Step $step, string $item): array
    {
        return array_map(static fn ($part): self => new self('part '.$part->name, $part->name, item: $item), $step->needs->parts);
    }
}
