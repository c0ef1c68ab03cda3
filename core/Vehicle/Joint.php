<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Bolting\BoltMetal;
use NimbleKnuckle\Core\Bolting\Compound;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Figure;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Origin;
use NimbleKnuckle\Core\Tightening\Pulls;
use NimbleKnuckle\Core\Tightening\TakeUp;

/** A group of like fasteners that clamp one thing. The figure is kept as it was written, with where it came from. */
final readonly class Joint
{
    /** What holds a wheel of the vehicle: tightened on the ground, in a cross, twice round at the same figure; never by an estimate. */
    public const WHEEL = 'wheel-fasteners';
    /** Under this much a figure stays as it is. */
    private const SAME = 0.02;
    public string $id;
    public string $name;

    /** @param string $item the part it holds; empty where it is none of the sheet's */
    private function __construct(
        public JointIdentity $called, public string $item, public JointFigure $spec, public Fastener $fastener, public ThreadContact $seat,
        public Pattern $pattern, public JointTools $tools, public Going $going,
    ) {
        $this->id = $called->id;
        $this->name = $called->name;
    }

    public static function read(Node $node): self
    {
        $node = self::WHEEL === $node->string('role', '') ? $node->with('check', true) : $node;
        $spec = JointFigure::read($node);
        $pattern = Pattern::read($node);

        return new self(
            JointIdentity::read($node), $node->string('item', ''), $spec, Fastener::read($node, $pattern->count()),
            ThreadContact::read($node), $pattern,
            JointTools::read($node), Going::read($node, $spec),
        );
    }

    public function at(string $end, string $because): self
    {
        return new self(
            $this->called, $this->item, $this->spec->at($end, $because), $this->fastener, $this->seat, $this->pattern, $this->tools,
            $this->going,
        );
    }

    /** With something else on its threads than the figure was meant for: the torque that clamps as before, an estimate. */
    public function coated(Compound $compound): self
    {
        $was = $this->seat->meantFor();
        $thread = $this->fastener->named->known;
        $dry = BoltMetal::Steel->dry();
        $factor = null === $thread || null === $was ? 1.0 : $compound->factor($thread, $dry) / $was->factor($thread, $dry);

        return $compound === $was ? $this : new self(
            $this->called, $this->item, abs($factor - 1) < self::SAME ? $this->spec : $this->spec->times($factor), $this->fastener,
            $this->seat->coated($compound, $this->spec->stated), $this->pattern, $this->tools, $this->going,
        );
    }

    /** The rounds in which a gap is taken up, half a turn at a time; null without a gap or a thread we know. */
    public function takeUp(): ?Pulls
    {
        $thread = $this->fastener->named->known;

        return null === $thread || $this->going->gap <= 0.0 ? null : TakeUp::of(
            $thread, Length::millimetres($this->going->gap), Angle::degrees(TakeUp::STEP),
        )->rounds;
    }

    /** @return array<string, int> length => how many, “” where all are alike */
    public function byLength(): array
    {
        return [] === $this->fastener->lengths ? [$this->fastener->length => $this->count()] : array_count_values($this->fastener->lengths);
    }

    public function count(): int
    {
        return $this->pattern->count();
    }

    public function hasFigure(): bool
    {
        return $this->spec->hasTorque();
    }

    public function holdsAWheel(): bool
    {
        return self::WHEEL === $this->called->role;
    }

    /** Whether it is tightened from snug by a part of a turn, with no torque stated. */
    public function isByTurn(): bool
    {
        return $this->spec->partTurn > 0.0;
    }

    public function stated(): string
    {
        return $this->spec->stated;
    }

    /**
     * All of it, wherever a figure is shown: “130 N·m / 96 ft-lb + 90°, left-hand; in the middle; never past 150 N·m”. Empty where nothing
     * is stated.
     */
    public function whole(): string
    {
        $turn = $this->isByTurn() || $this->spec->angle() > 0.0 || $this->going->angle <= 0.0 ? '' : sprintf(' + %s°', $this->going->angle);
        $said = $this->stated().$turn.($this->fastener->isLeftHand ? ', left-hand' : '');

        return '' === $this->stated() ? '' : $said.('' === $this->spec->inWords() ? '' : '; '.$this->spec->inWords());
    }

    public function origin(): Origin
    {
        return $this->spec->origin;
    }

    /** The stated figure; of a range the end that was chosen. */
    public function figure(): Figure
    {
        return $this->spec->figure();
    }

    /** Torque in N·m at a share of the figure, percent. */
    public function torqueAt(float $share): float
    {
        return $this->spec->target() * $share / 100;
    }

    /** Degrees it turns on in all: the angle, and what a soft seal lets a cover come down where it is tightened by a turn. */
    public function turn(): float
    {
        return $this->going->angle + $this->turnForSeal();
    }

    /** Degrees that squeeze the seal; 0 where none is said, or the torque squeezes it before. */
    public function turnForSeal(): float
    {
        $thread = $this->isByTurn() ? $this->fastener->named->known : null;

        return null === $thread ? 0.0 : 360 * $this->going->sealTravel / $thread->pitch;
    }

    public function boltLabel(int $bolt): string
    {
        return $this->pattern->labels[$bolt - 1] ?? $this->fastener->lengths[$bolt - 1] ?? '';
    }
}
