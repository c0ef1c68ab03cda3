<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Torque;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** The bolt most of this room is about: thread, grade, the ring under its head, and its friction. */
final readonly class Bolt
{
    public function __construct(public Thread $thread, public Grade $grade, public BearingFace $face, public Friction $friction)
    {
    }

    /**
     * By the names people write; what is empty is taken for 8.8, a hexagon head, lightly oiled.
     *
     * @throws InvalidInput naming what is not known
     */
    public static function named(string $thread, string $grade = '', string $friction = '', string $head = 'hexagon'): self
    {
        return self::of(Thread::parse($thread), $grade, $friction, $head);
    }

    /** @throws InvalidInput naming what is not known */
    public static function of(Thread $thread, string $grade = '', string $friction = '', string $head = 'hexagon'): self
    {
        return new self(
            $thread, '' === $grade ? Grade::C88 : Grade::parse($grade), BearingFace::under($head, $thread),
            '' === $friction ? Friction::assumed() : Friction::parse($friction),
        );
    }

    public function preload(): Preload
    {
        return new Preload($this->thread, $this->grade, $this->face);
    }

    /** Preload at a share of yield, typical friction. */
    public function typicalAt(Share $share): Force
    {
        return $this->preload()->atShareOfYield($share, $this->friction->typical);
    }

    /** Preload that brings it to yield, typical friction. */
    public function yieldsAt(): Force
    {
        return $this->typicalAt(Share::whole());
    }

    /** Torque for a preload at typical friction. */
    public function typicalTorque(Force $preload): Torque
    {
        return $this->preload()->torqueFor($preload, $this->friction->typical, $this->friction->head($this->friction->typical));
    }

    /** Preload from a torque at typical friction. */
    public function typicalPreload(Torque $torque): Force
    {
        return $this->preload()->fromTorque($torque, $this->friction->typical, $this->friction->head($this->friction->typical));
    }

    /** The most preload a torque may come to: friction at its low end. */
    public function mostPreload(Torque $torque): Force
    {
        return $this->preload()->fromTorque($torque, $this->friction->low, $this->friction->head($this->friction->low));
    }

    /** The least preload a torque may come to: friction at its high end. */
    public function leastPreload(Torque $torque): Force
    {
        return $this->preload()->fromTorque($torque, $this->friction->high, $this->friction->head($this->friction->high));
    }
}
