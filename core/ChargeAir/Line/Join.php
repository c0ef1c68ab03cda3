<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Line;

use NimbleKnuckle\Core\ChargeAir\Coupler;
use NimbleKnuckle\Core\ChargeAir\PipeJoint;
use NimbleKnuckle\Core\Document\Node;

/** Where two parts of a charge path meet: the hose over both ends and its clamps. mm and degrees. */
final readonly class Join
{
    /** By a bracket or a strap, besides its hose. */
    public bool $isTied;
    /** Flange to flange: no hose, no clamp. */
    public bool $isBolted;
    /** It keeps the hose it has: nothing of the box goes on it. */
    public bool $stays;

    /**
     * @param string $name by the part after it, or as somebody called it
     * @param float $angle between the two ends
     * @param ?Coupler $hose null where nobody said what is on it
     * @param float $length of the hose, mm; 0 where nobody measured
     * @param string $joint of the vehicle sheet, whose fasteners are its clamps
     * @param array{bool, bool, bool} $how tied; flange to flange; with the hose it has
     */
    private function __construct(
        public string $name, public float $angle, public ?Coupler $hose, public float $length, public ?Clamp $clamp, public string $joint,
        array $how,
    ) {
        [$this->isTied, $this->isBolted, $this->stays] = $how;
    }

    public static function read(Node $node, Part $before, Part $after): self
    {
        $angle = $node->float('angle', 0.0);
        $angle >= 0.0 && $angle <= 180.0 || throw $node->refuse('angle', 'from 0 to 180 degrees.');
        $hose = $node->has('hose') ? $node->node('hose') : null;

        return new self(
            $node->string('name', $before->name.' to '.$after->name), $angle, null === $hose ? null : self::coupler($hose, $angle),
            null === $hose ? 0.0 : self::sized($hose, 'length', 0.0, 1000.0),
            $node->has('clamp') ? Clamp::read($node->node('clamp')) : null, $node->string('joint', ''), [$node->bool('tied'),
                $node->bool('bolted'), $node->bool('stays')],
        );
    }

    /** What has to be joined. */
    public function ends(Part $before, Part $after): PipeJoint
    {
        return new PipeJoint($this->name, $before->out, $after->in, $before->beads[1] && $after->beads[0], $this->angle);
    }

    private static function coupler(Node $node, float $angle): Coupler
    {
        $a = self::sized($node, 'a', 5.0, 300.0);

        return new Coupler(
            $node->string('name', 'hose'), $a, $node->has('b') ? self::sized($node, 'b', 5.0, 300.0) : $a,
            $node->has('angle') ? self::sized($node, 'angle', 0.0, 180.0) : $angle,
            $node->has('wall') ? self::sized($node, 'wall', 1.0, 15.0) : Coupler::WALL,
        );
    }

    private static function sized(Node $node, string $key, float $low, float $high): float
    {
        $value = $node->float($key, 0.0);

        return $value >= $low && $value <= $high ? $value : throw $node->refuse($key, sprintf('from %s to %s.', $low, $high));
    }
}
