<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\BeltDrive\Drive;
use NimbleKnuckle\Core\ChargeAir\Line\ChargeLine;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Quantity\UnitSystem;

/** What is known of one vehicle: its items and what blocks them, its joints,
 * its circuits. Format nimble-knuckle/vehicle@2; @1 is read for good. */
final readonly class VehicleSheet
{
    public const FORMAT = 'nimble-knuckle/vehicle@2';
    private const MOST = 2000;

    /** @var array<string, list<string>> */
    private array $hides;
    /** @var list<Limit> */
    public array $limits;
    public Lifting $lifting;
    /** @var list<string> what nobody has checked on the vehicle yet, as “items.airbox”; from a starter sheet or a copy */
    public array $toCheck;
    /** @var array<string, Drive> its belts */
    public array $drives;
    /** @var list<string> what it forgets with the battery off: throttle, windows, radio */
    public array $forgets;
    /** Its charge path; null where nobody entered one. */
    public ?ChargeLine $charge;
    /** @var array<string, list<Joint>> item => its joints */
    private array $jointsOfItem;

    /**
     * @param array<string, Item> $items
     * @param array<string, Joint> $joints
     * @param array<string, Circuit> $circuits
     * @param array{list<Limit>, Lifting, list<string>, array<string, Drive>, ?ChargeLine, list<string>} $more
     */
    private function __construct(
        public string $id,
        public string $name,
        public string $short,
        public string $about,
        public array $items,
        public array $joints,
        public array $circuits,
        array $more,
    ) {
        [$this->limits, $this->lifting, $this->toCheck, $this->drives, $this->charge, $this->forgets] = $more;
        $hides = [];
        foreach ($items as $item) {
            foreach ($item->access->behind as $front) {
                $hides[$front][] = $item->id;
            }
        }
        $this->hides = $hides;
        $of = [];
        foreach ($joints as $joint) {
            $of[$joint->item][] = $joint;
        }
        $this->jointsOfItem = $of;
    }

    /** @param callable(Joint): Joint $change what becomes of every joint */
    public function withJoints(callable $change): self
    {
        return new self(
            $this->id, $this->name, $this->short, $this->about, $this->items, array_map($change, $this->joints), $this->circuits,
            [$this->limits, $this->lifting, $this->toCheck, $this->drives, $this->charge, $this->forgets],
        );
    }

    /**
     * What lies directly behind an item.
     *
     * @return list<string>
     */
    public function hiddenBy(string $item): array
    {
        return $this->hides[$item] ?? [];
    }

    /** @return array<string, list<Item>> body => the items it sits on, in the order of the sheet */
    public function carriers(): array
    {
        $carriers = [];
        foreach ($this->items as $item) {
            if ('' !== $item->dangers->carries) {
                $carriers[$item->dangers->carries][] = $item;
            }
        }

        return $carriers;
    }

    /** @return array<string, true> all that lies behind an item, however deep */
    public function allHiddenBy(string $item): array
    {
        return self::closure($this->hiddenBy($item), $this->hiddenBy(...));
    }

    /** @return array<string, true> these items, and all that must be off to reach them */
    public function allToReach(string ...$items): array
    {
        return self::closure(array_values($items), fn (string $item): array => $this->items[$item]->access->behind ?? []);
    }

    /**
     * @param list<string> $from
     * @param callable(string): list<string> $next
     *
     * @return array<string, true> all that is come to from these
     */
    private static function closure(array $from, callable $next): array
    {
        $seen = [];
        while ([] !== $from) {
            $item = array_pop($from);
            if (!isset($seen[$item])) {
                $seen[$item] = true;
                array_push($from, ...$next($item));
            }
        }

        return $seen;
    }

    public static function read(Node $node): self
    {
        $node = VehicleOne::read($node);
        self::FORMAT === $node->string('format') || throw $node->refuse('format', sprintf('this is not %s.', self::FORMAT));
        $items = self::byId($node, 'items', Item::read(...));
        $joints = self::byId($node, 'joints', Joint::read(...));
        $circuits = self::byId($node, 'circuits', Circuit::read(...));
        self::ensureItems($node, $items, $joints, $circuits);
        self::ensureJoints($node, $items, $joints);
        $limits = $node->each('limits', Limit::read(...));
        foreach ($limits as $i => $limit) {
            self::ensureKnown($node, 'limits.'.$i.'.freed_by', '' === $limit->freedBy ? [] : [$limit->freedBy], $items);
        }
        foreach ($circuits as $circuit) {
            self::ensureKnown($node, 'circuits.'.$circuit->id.'.drain_behind', $circuit->plumbing->drainBehind, $items);
        }

        return new self(
            $node->string('id'), $node->string('name'), $node->string('short', $node->string('name')), $node->string('about', ''),
            $items, $joints, $circuits,
            [
                $limits, self::lifting($node, $items), self::stillThere($node->strings('to_check'), $items, $joints, $circuits),
                $node->has('drives') ? self::byId($node, 'drives', Drive::read(...)) : [],
                $node->has('charge') ? ChargeLine::read($node->node('charge')) : null, $node->strings('battery_off'),
            ],
        );
    }

    /**
     * @param array<string, Item> $items
     * @param array<string, Joint> $joints
     * @param array<string, Circuit> $circuits
     */
    private static function ensureItems(Node $node, array $items, array $joints, array $circuits): void
    {
        foreach ($items as $item) {
            self::ensureKnown($node, 'items.'.$item->id.'.behind', $item->access->behind, $items);
            foreach ($item->access->acts as $act) {
                self::ensureKnown($node, 'items.'.$item->id.'.acts', $act->behind, $items);
            }
            foreach ($item->parting->ends as $end) {
                '' === $end->joint || isset($joints[$end->joint]) || throw $node->refuse(
                    'items.'.$item->id.'.ends', sprintf('there is no joint “%s”.', $end->joint),
                );
            }
            '' === $item->dangers->wet || isset($circuits[$item->dangers->wet]) || throw $node->refuse(
                'items.'.$item->id.'.wet', sprintf('there is no circuit “%s”.', $item->dangers->wet),
            );
        }
    }

    /**
     * @param array<string, Item> $items
     * @param array<string, Joint> $joints
     */
    private static function ensureJoints(Node $node, array $items, array $joints): void
    {
        foreach ($joints as $joint) {
            self::ensureKnown($node, 'joints.'.$joint->id.'.item', '' === $joint->item ? [] : [$joint->item], $items);
            foreach ($joint->tools->ends as $end) {
                self::ensureKnown($node, 'joints.'.$joint->id.'.ends', $end->behind, $items);
            }
        }
    }

    /** The belt that an item is; null where it is none, or nobody drew it. */
    public function driveOf(string $item): ?Drive
    {
        foreach ('' === $item ? [] : $this->drives as $drive) {
            if ($drive->item === $item) {
                return $drive;
            }
        }

        return null;
    }

    /** Whether somebody has seen it on this vehicle, or entered it by hand. */
    public function isChecked(string $kind, string $id): bool
    {
        return !in_array($kind.'.'.$id, $this->toCheck, true);
    }

    /**
     * @param list<string> $named
     * @param array<string, Item> $items
     * @param array<string, Joint> $joints
     * @param array<string, Circuit> $circuits
     *
     * @return list<string> those that name a thing of the sheet
     */
    private static function stillThere(array $named, array $items, array $joints, array $circuits): array
    {
        $things = ['items' => $items, 'joints' => $joints, 'circuits' => $circuits];

        return array_values(array_filter($named, static function (string $one) use ($things): bool {
            [$kind, $id] = explode('.', $one, 2) + [1 => ''];

            return isset($things[$kind][$id]);
        }));
    }

    /** @param array<string, Item> $items */
    private static function lifting(Node $node, array $items): Lifting
    {
        $lifting = Lifting::read($node->node('lifting'));
        self::ensureKnown($node, 'lifting.points', array_values($lifting->freedBy), $items);

        return $lifting;
    }

    public function itemFor(string $role): ?Item
    {
        return self::withRole($this->items, $role);
    }

    public function jointFor(string $role): ?Joint
    {
        return self::withRole($this->joints, $role);
    }

    /** The units its figures were written in, besides the metric ones. */
    public function units(): UnitSystem
    {
        return UnitSystem::heardIn(...array_values(array_map(static fn (Joint $joint): string => $joint->stated(), $this->joints)));
    }

    public function circuitFor(string $role): ?Circuit
    {
        return self::withRole($this->circuits, $role);
    }

    /**
     * Items that lie in front of each other in a circle, by name, the first one again at the end; empty where there is none.
     *
     * @return list<string>
     */
    public function circle(): array
    {
        $safe = [];
        foreach (array_keys($this->items) as $id) {
            $found = $this->circleFrom($id, [], $safe);
            if ([] !== $found) {
                return array_map(fn (string $one): string => $this->items[$one]->name, $found);
            }
        }

        return [];
    }

    /**
     * @param list<string> $path
     * @param array<string, true> $safe
     *
     * @return list<string>
     */
    private function circleFrom(string $id, array $path, array &$safe): array
    {
        $at = array_search($id, $path, true);
        if (is_int($at)) {
            return [...array_slice($path, $at), $id];
        }
        foreach (isset($safe[$id]) ? [] : $this->items[$id]->access->behind as $front) {
            $found = $this->circleFrom($front, [...$path, $id], $safe);
            if ([] !== $found) {
                return $found;
            }
        }
        $safe[$id] = true;

        return [];
    }

    /**
     * The access map as layers: an item's layer is one below the deepest item it lies behind; what can come off at once is 0.
     *
     * @return list<list<Item>>
     */
    public function layers(): array
    {
        $depth = [];
        $layers = [];
        foreach ($this->items as $item) {
            $layers[$this->depth($item, $depth, [])][] = $item;
        }
        ksort($layers);

        return array_values($layers);
    }

    /**
     * @param array<string, int> $known
     * @param array<string, true> $path a circle counts as the surface; the compiler is what refuses it
     */
    private function depth(Item $item, array &$known, array $path): int
    {
        if (isset($known[$item->id]) || isset($path[$item->id])) {
            return $known[$item->id] ?? 0;
        }
        $deepest = -1;
        foreach ($item->access->behind as $front) {
            $deepest = max($deepest, $this->depth($this->items[$front], $known, $path + [$item->id => true]));
        }

        return $known[$item->id] = $deepest + 1;
    }

    /** What holds a wheel on its hub; null where the sheet does not say. */
    public function wheelFasteners(string $item): ?Joint
    {
        foreach ($this->jointsOf($item) as $joint) {
            if ($joint->holdsAWheel()) {
                return $joint;
            }
        }

        return null;
    }

    /** Whether the sheet says of every wheel in front of an item what holds it, and has one there at all. */
    public function knowsTheWheelsBefore(string $item): bool
    {
        $wheels = array_filter(
            array_keys($this->allToReach($item)), fn (string $id): bool => isset($this->items[$id]) && $this->items[$id]->isWheel(),
        );

        return [] !== $wheels && [] === array_filter($wheels, fn (string $id): bool => null === $this->wheelFasteners($id));
    }

    /** @return list<Joint> */
    public function jointsOf(string $itemId): array
    {
        return $this->jointsOfItem[$itemId] ?? [];
    }

    /**
     * @template T of Item|Joint|Circuit
     *
     * @param array<string, T> $things
     *
     * @return T|null
     */
    private static function withRole(array $things, string $role): mixed
    {
        if (isset($things[$role])) {
            return $things[$role];
        }
        foreach ($things as $thing) {
            if (($thing instanceof Joint ? $thing->called->role : $thing->role) === $role) {
                return $thing;
            }
        }

        return null;
    }

    /**
     * @template T of Item|Joint|Circuit|Drive
     *
     * @param callable(Node): T $read
     *
     * @return array<string, T>
     */
    private static function byId(Node $node, string $key, callable $read): array
    {
        $things = [];
        count($node->list($key)) <= self::MOST || throw $node->refuse(
            $key, sprintf('more than %d stand here: a vehicle sheet holds what a job needs, not a parts catalogue.', self::MOST),
        );
        foreach ($node->nodes($key) as $child) {
            $thing = $read($child);
            1 === preg_match('/\A\d+\z/', $thing->id) && throw $child->refuse(
                'id', 'an id needs a letter: digits alone would be taken for a number.',
            );
            isset($things[$thing->id]) && throw $child->refuse('id', sprintf('“%s” stands here twice.', $thing->id));
            $things[$thing->id] = $thing;
        }

        return $things;
    }

    /**
     * @param list<string> $ids
     * @param array<string, Item> $items
     */
    private static function ensureKnown(Node $node, string $path, array $ids, array $items): void
    {
        foreach ($ids as $id) {
            isset($items[$id]) || throw $node->refuse($path, sprintf('there is no item “%s”.', $id));
        }
    }
}
