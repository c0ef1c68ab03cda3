<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\PressFit;

use NimbleKnuckle\Core\Bolting\BearingFace;
use NimbleKnuckle\Core\Bolting\Engagement;
use NimbleKnuckle\Core\Bolting\Grade;
use NimbleKnuckle\Core\Bolting\Material;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Stress;
use NimbleKnuckle\Core\Quantity\Torque;

/** A screw that presses a hub on: torque at its nut (VDI 2230), turns, and what its thread and the puller bolts hold. */
final readonly class PressScrew
{
    /** @param Formula $torque N·m at the nut */
    private function __construct(public Formula $torque, public Formula $turns, public Force $strips)
    {
    }

    /**
     * @param array{float, float} $friction of thread and face
     * @param ?Length $face mean radius of the nut's face; null for a plain hexagon
     * @param Length $engaged of the screw in what it draws at
     */
    public static function of(
        Force $force, Thread $thread, Material $material, array $friction, ?Length $face, Length $travel, Length $engaged,
    ): self {
        $ring = null === $face ? BearingFace::hexagon($thread) : null;
        $radius = $face->millimetres ?? (null === $ring ? 0.0 : ($ring->outer + $ring->hole) / 4);
        $torque = Formula::of('M = F (0.16 P + 0.58 d₂ μ + rk μk)/1000', [
            'F' => $force->newtons, 'P' => $thread->pitch, 'd₂' => $thread->pitchDiameter(), 'μ' => $friction[0], 'rk' => $radius,
            'μk' => $friction[1],
        ]);

        return new self(
            $torque, Formula::of('way/P', ['way' => $travel->millimetres, 'P' => $thread->pitch]),
            self::engagement($thread, $material)->stripForce($engaged),
        );
    }

    /** What a bolt of that size and length of thread in that material holds; the bolt itself taken as 8.8. */
    public static function engagement(Thread $thread, Material $material): Engagement
    {
        return new Engagement($thread, Grade::parse('8.8'), Stress::megapascals($material->shearStrength()));
    }
}
