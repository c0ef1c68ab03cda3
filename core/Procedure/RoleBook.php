<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** The parts that items, joints and circuits of a vehicle play for the procedures there are: what is asked for, and what is missing. */
final readonly class RoleBook
{
    /** Words of the trade for the words of a role. */
    private const SAME = [
        'accessory' => 'serpentine', 'ribbed' => 'serpentine', 'drive' => 'serpentine', 'balancer' => 'damper', 'vibration' => 'damper',
        'coolant' => 'water', 'transmission' => 'gearbox', 'nut' => 'nuts', 'bolt' => 'bolts', 'screw' => 'screws', 'plug' => 'plugs',
        'coil' => 'coils', 'lh' => 'left', 'rh' => 'right', 'electric' => '', 'the' => '', 'of' => '',
    ];

    /** @param array<string, array<string, list<string>>> $asked kind => role => titles of the procedures that ask for it */
    private function __construct(private array $asked)
    {
    }

    /** @param array<Procedure> $procedures */
    public static function of(array $procedures): self
    {
        $asked = ['item' => [], 'joint' => [Joint::WHEEL => ['Whatever takes a wheel off']], 'circuit' => []];
        foreach ($procedures as $procedure) {
            $needs = ['item' => $procedure->needs->items, 'joint' => $procedure->needs->joints, 'circuit' => $procedure->needs->circuits];
            foreach ($needs as $kind => $roles) {
                foreach ($roles as $role) {
                    $asked[$kind][$role][] = $procedure->title;
                }
            }
        }
        array_walk($asked, static fn (array &$roles): bool => ksort($roles));

        return new self($asked);
    }

    /** @return array<string, list<string>> role => who asks for it */
    public function roles(string $kind): array
    {
        return $this->asked[$kind] ?? [];
    }

    public function knows(string $kind, string $role): bool
    {
        return isset($this->asked[$kind][$role]);
    }

    /** The role a name speaks of: every word of the role stands in it; of several the longest. Empty where none does. */
    public function suggested(string $kind, string $name): string
    {
        $words = [];
        foreach (preg_split('/[^\p{L}\p{N}]+/u', mb_strtolower($name), -1, \PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $words[$word] = true;
            $words[self::SAME[$word] ?? $word] = true;
        }
        if ('joint' === $kind && self::speaksOfAWheel($words)) {
            return Joint::WHEEL;
        }
        $best = '';
        foreach (array_keys($this->asked[$kind] ?? []) as $role) {
            $isSaid = [] === array_filter(explode('-', $role), static fn (string $word): bool => !isset($words[$word]));
            $best = $isSaid && strlen($role) > strlen($best) ? $role : $best;
        }

        return $best;
    }

    /** @param array<string, true> $words a wheel of the road, and no impeller’s */
    private static function speaksOfAWheel(array $words): bool
    {
        $has = static fn (string ...$any): bool => [] !== array_intersect_key($words, array_flip($any));

        return $has('wheel', 'wheels') && $has('nuts', 'bolts', 'nut', 'bolt', 'fasteners')
            && !$has('impeller', 'compressor', 'turbine', 'blower', 'liner', 'arch');
    }

    /** @return list<Missing> what a procedure needs and the sheet has not, items first */
    public static function missing(Procedure $procedure, VehicleSheet $vehicle): array
    {
        $missing = [];
        foreach ($procedure->needs->items as $role) {
            null !== $vehicle->itemFor($role) || $missing[] = new Missing('item', $role);
        }
        foreach ($procedure->needs->joints as $role) {
            null !== $vehicle->jointFor($role) || $missing[] = new Missing('joint', $role);
        }
        foreach ($procedure->needs->circuits as $role) {
            null !== $vehicle->circuitFor($role) || $missing[] = new Missing('circuit', $role);
        }

        return $missing;
    }
}
