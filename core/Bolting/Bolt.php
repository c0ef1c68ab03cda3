<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** The bolt several sums ask about: thread, grade, head and friction, with what was assumed where nothing was given. */
final readonly class Bolt
{
    /** @param list<Check> $assumed what was not given and is assumed, said once each */
    private function __construct(
        public Thread $thread, public Grade $grade, public BearingFace $face, public Friction $friction, public array $assumed,
    ) {
    }

    /** @throws InvalidInput */
    public static function read(Inputs $in): self
    {
        $thread = Thread::parse($in->text('thread'));
        $assumed = [];
        if (!$in->has('grade')) {
            $assumed[] = Check::ok('grade-assumed', 'No grade given: 8.8 is assumed.');
        }
        if (!$in->has('friction')) {
            $assumed[] = Check::ok('friction-assumed', 'No thread condition given: lightly oiled is assumed.');
        }

        return new self(
            $thread,
            $in->has('grade') ? Grade::parse($in->text('grade')) : Grade::C88,
            BearingFace::under($in->has('head') ? $in->text('head') : 'hexagon', $thread),
            $in->has('friction') ? Friction::parse($in->text('friction')) : Friction::assumed(),
            $assumed,
        );
    }

    public static function threadField(): Field
    {
        return Field::text('thread', 'Thread', 'M8', 'M8, M10x1.25, 5/16-18, #10-32, G1/4');
    }

    public static function gradeField(): Field
    {
        return Field::choice('grade', 'Bolt grade', Grade::choices(), 'Unknown: 8.8 is assumed.')->optional();
    }

    public static function frictionField(): Field
    {
        return Field::text(
            'friction', 'Thread and head', 'oiled', implode(', ', array_keys(Friction::choices())).', or a number',
        )->optional();
    }

    public static function headField(): Field
    {
        return Field::choice('head', 'Head', BearingFace::HEADS)->optional();
    }

    public function preload(): Preload
    {
        return new Preload($this->thread, $this->grade, $this->face);
    }

    /** Preload in N at a share of yield (0 to 1), typical friction. */
    public function typicalAt(float $share): float
    {
        return $this->preload()->atShareOfYield($share, $this->friction->typical);
    }

    /** Torque in N·m for a preload in N at typical friction. */
    public function typicalTorque(float $preload): float
    {
        return $this->preload()->torqueFor($preload, $this->friction->typical, $this->friction->head($this->friction->typical));
    }

    /** Preload in N from a torque in N·m at typical friction. */
    public function typicalPreload(float $torque): float
    {
        return $this->preload()->fromTorque($torque, $this->friction->typical, $this->friction->head($this->friction->typical));
    }
}
