<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** How a joint is gone about: its passes, the angle and its pulls, a gap drawn down, a seal squeezed, and when it may be. */
final readonly class Going
{
    /**
     * @param non-empty-list<float> $passes percent of the figure, the last one 100
     * @param float $angle degrees after the figure, made in pulls of “swing” degrees
     * @param float $gap mm the part is drawn down by, evenly, before it lies flat
     * @param float $sealTravel mm a soft seal lets the part come down before metal meets metal
     * @param bool $check once more round at the full figure
     * @param list<string> $when “loaded”: only with the weight on; “room”: only while it is raised or lowered out of the way
     * @param string $set joints of one set are all loosely in before any is tightened
     */
    private function __construct(
        public array $passes, public float $angle, public float $swing, public float $gap, public float $sealTravel,
        public bool $check, public array $when, public string $set,
    ) {
    }

    public static function read(Node $node, JointFigure $spec): self
    {
        $passes = $node->floats('passes');
        [] === $passes || 100.0 === $passes[count($passes) - 1] || throw $node->refuse('passes', 'the last pass is 100 percent.');
        $angle = BoundedNumber::within($node, 'angle', 0.0, 1080.0);
        $angle > 0.0 && $spec->angle() > 0.0 && abs($angle - $spec->angle()) > 0.5 && throw $node->refuse(
            'angle', sprintf('the figure says %s° further, and this says %s°.', round($spec->angle(), 1), $angle),
        );

        return new self(
            [] === $passes ? [100.0] : $passes, $angle > 0.0 ? $angle : max($spec->angle(), $spec->partTurn),
            BoundedNumber::within($node, 'swing', 0.0, 360.0), BoundedNumber::within($node, 'gap', 0.0, 100.0),
            BoundedNumber::within($node, 'seal_travel', 0.0, 20.0), $node->bool('check'), $node->strings('when'), $node->string('set', ''),
        );
    }
}
