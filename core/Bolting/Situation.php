<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Quantity\Temperature;

/** Where a bolt sits and what it goes through, as far as it decides what goes on its thread. */
final readonly class Situation
{
    /** From this diameter in mm a locker of high strength holds what a medium one may not. */
    private const LARGE = 8.0;
    private const SOFT = [Material::AluminiumCasting, Material::AluminiumWrought, Material::Magnesium];
    private const ACTIVE = [Material::Steel, Material::CastIron, Material::Brass];

    /**
     * @param BoltMetal $metal of the bolt itself
     * @param bool $turns it turns or shakes
     * @param bool $removed it comes off again in service
     * @param bool $wet the hole reaches coolant or oil
     */
    public function __construct(
        public Thread $thread, public BoltMetal $metal, public Material $into, public Temperature $heat, public bool $turns,
        public bool $removed, public bool $wet,
    ) {
    }

    /** @return array{Compound, CompoundReason} what to put on, and why */
    public function compound(): array
    {
        return match (true) {
            $this->heat->celsius > Compound::LOCKER_HEAT => [Compound::AntiSeize, CompoundReason::Heat],
            $this->wet => [Compound::Sealant, CompoundReason::Fluid],
            $this->turns && !$this->removed && $this->thread->diameter >= self::LARGE => [Compound::StrongLocker, CompoundReason::StaysOn],
            $this->turns => [Compound::MediumLocker, CompoundReason::Shakes],
            BoltMetal::Steel !== $this->metal => [Compound::AntiSeize, CompoundReason::Galls],
            $this->removed && in_array($this->into, self::SOFT, true) => [Compound::Oil, CompoundReason::SoftThread],
            default => [Compound::Dry, CompoundReason::Usual],
        };
    }

    /** A locker cures slowly on these: nothing of them takes part. */
    public function isPassive(): bool
    {
        return BoltMetal::Steel !== $this->metal || !in_array($this->into, self::ACTIVE, true);
    }
}
