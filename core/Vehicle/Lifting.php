<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Lifting\EngineMount;
use NimbleKnuckle\Core\Lifting\Tilt;
use NimbleKnuckle\Core\Lifting\TiltPoint;

/**
 * What a vehicle sheet knows of lifting its engine, all of it optional: how heavy it is, where its hooks are, about which
 * mount it tips, and what comes near. Places in mm, nose to the right, x forward, y up.
 */
final readonly class Lifting
{
    /**
     * @param float $mass kg; 0 where nobody weighed it
     * @param list<Hook> $hooks
     * @param array{float, float}|null $pivot the mount that stays, about which it tips
     * @param list<TiltPoint> $points what comes near when it tips
     * @param array<string, string> $freedBy point => the item whose removal clears it
     * @param list<EngineMount> $mounts where they are and how stiff, in the plane square to the torque
     */
    private function __construct(
        public float $mass, public array $hooks, public ?array $pivot, public array $points, public array $freedBy,
        public array $mounts,
    ) {
    }

    public static function read(Node $node): self
    {
        $mass = $node->float('mass', 0.0);
        $mass >= 0.0 && $mass <= 5000.0 || throw $node->refuse('mass', 'a mass of 0 to 5000 kg is needed.');
        $points = $freedBy = [];
        foreach ($node->nodes('points') as $point) {
            $points[] = new TiltPoint(
                $point->string('name'), $point->float('x'), $point->float('y'), $point->float('gap'), $point->float('direction'),
            );
            $item = $point->string('freed_by', '');
            '' === $item || $freedBy[$point->string('name')] = $item;
        }
        $pivot = $node->floats('pivot');
        [] === $pivot || 2 === count($pivot) || throw $node->refuse('pivot', 'two numbers are needed, forward and up.');

        return new self(
            $mass, $node->each('hooks', Hook::read(...)), 2 === count($pivot) ? [$pivot[0], $pivot[1]] : null, $points, $freedBy,
            $node->each('mounts', self::mount(...)),
        );
    }

    private static function mount(Node $node): EngineMount
    {
        foreach (['kx', 'ky'] as $way) {
            $node->float($way) >= 0.0 || throw $node->refuse($way, 'a stiffness is not less than nothing.');
        }

        return new EngineMount(
            $node->string('name'), $node->float('x'), $node->float('y'), $node->float('kx'), $node->float('ky'),
            'pu' !== $node->string('kind', 'rubber'),
        );
    }

    /** Where it is lifted: the middle of its hooks; null where that is not known. */
    public function lifted(): ?Hook
    {
        if ([] === $this->hooks) {
            return null;
        }
        $middle = fn (string $axis): float => array_sum(array_column($this->hooks, $axis)) / count($this->hooks);

        return new Hook('hooks', $middle('x'), $middle('y'), 0.0);
    }

    /**
     * How far it may go up before the first gap is 5 mm, and what that is.
     *
     * @param array<string, mixed> $off items that are off
     *
     * @return array{float, string}|null null where the sheet does not know enough
     */
    public function mayRise(array $off): ?array
    {
        $points = array_values(array_filter(
            $this->points, fn (TiltPoint $point): bool => !isset($off[$this->freedBy[$point->name] ?? '']),
        ));
        $lifted = $this->lifted();
        if (null === $this->pivot || null === $lifted || [] === $points || abs($lifted->x - $this->pivot[0]) < 1.0) {
            return null;
        }
        $at = [$lifted->x, $lifted->y];
        $tilt = Tilt::of($this->pivot, $at, min(1.0, Tilt::reach($this->pivot, $at)), $points);

        return [$tilt->limit, $points[$tilt->first]->name ?? ''];
    }
}
