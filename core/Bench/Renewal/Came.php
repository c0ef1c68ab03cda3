<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Renewal;

use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Vehicle\Item;
use NimbleKnuckle\Core\Vehicle\Joint;

/** A part or the fasteners of a joint, off the vehicle, with the rule of the vehicle sheet for using it again. */
final readonly class Came
{
    /** @param float $longest mm a fastener may be long and still go back in; 0 where no limit is known */
    private function __construct(
        public string $id, public string $name, public int $count, public string $rule, public bool $isAlwaysNew, public float $longest,
        public string $role = '',
    ) {
    }

    public static function ofJoint(Joint $joint): self
    {
        $fastener = $joint->fastener;
        $longest = $fastener->longest;

        return new self('joint '.$joint->id, $joint->name, $joint->count(), match (true) {
            $fastener->isNew() => 'New each time, by the vehicle sheet.',
            $longest > 0.0 => sprintf('Goes back in up to %s%smm long.', Digits::significant($longest, 4, true), Digits::GROUP),
            $fastener->intoYield => 'Turned into yield and no limit known: new.',
            default => 'Goes back in while its thread is clean and whole.',
        }, $fastener->isNew() || ($fastener->intoYield && $longest <= 0.0), $longest);
    }

    public static function ofItem(Item $item): self
    {
        return new self('item '.$item->id, $item->name, 1, 'By what it looks like and measures; the maker’s limit decides.', false, 0.0,
            $item->role);
    }

    /** Something the sheet does not name: a seal, a hose, a clip. */
    public static function other(string $name): self
    {
        return new self(self::key($name), $name, 1, 'A seal that was pressed is new; the rest by what it measures.', false, 0.0);
    }

    public static function key(string $name): string
    {
        return 'part '.mb_strtolower(trim($name));
    }
}
