<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Share;

/** An old bolt's length beside a new one's: what it has stretched for good, and of the length that stretches. */
final readonly class UsedBolt
{
    /** Permanent stretch of the grip past which a bolt has been over its proof stress, percent (0.2 % proof, ISO 898-1). */
    public const PROOF = 0.2;
    /** What a caliper can tell, mm. */
    public const CALIPER = 0.05;

    private function __construct(public Length $stretch, public Share $strain, public Formula $formula)
    {
    }

    /** @param Length $grip the length that stretches */
    public static function beside(Length $old, Length $new, Length $grip): self
    {
        $stretch = $old->minus($new);

        $strain = Formula::of('ε = (old − new) / grip', [
            'old' => Term::of($old->millimetres, '', 6), 'new' => Term::of($new->millimetres, '', 6), 'grip' => $grip->millimetres,
        ]);

        return new self($stretch, Share::ofOne($strain->value), $strain);
    }

    /** Shorter than new by more than a caliper's doubt: not the same bolt. */
    public function isAnother(): bool
    {
        return $this->stretch->millimetres < -self::CALIPER;
    }

    public function hasYielded(): bool
    {
        return $this->strain->percent() > self::PROOF;
    }

    public function isLonger(): bool
    {
        return $this->stretch->millimetres > self::CALIPER;
    }
}
