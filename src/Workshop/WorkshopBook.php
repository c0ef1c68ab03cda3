<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Workshop;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Quantity\UnitSystem;
use Twig\Attribute\AsTwigFunction;

/** The workshop's own settings: read once a request, and only where a page asks. */
final class WorkshopBook
{
    private ?WorkshopRecord $known = null;

    public function __construct(private readonly EntityManagerInterface $em)
    {
    }

    public function now(): WorkshopRecord
    {
        return $this->known ??= $this->em->find(WorkshopRecord::class, WorkshopRecord::ONLY) ?? new WorkshopRecord();
    }

    public function keep(WorkshopRecord $workshop): void
    {
        $kept = $this->em->find(WorkshopRecord::class, WorkshopRecord::ONLY) ?? new WorkshopRecord();
        [$kept->name, $kept->units, $kept->altitude, $kept->temperature] = [
            $workshop->name, $workshop->units, $workshop->altitude, $workshop->temperature,
        ];
        [$kept->rate, $kept->currency, $kept->letterhead] = [$workshop->rate, $workshop->currency, $workshop->letterhead];
        $this->em->persist($kept);
        $this->em->flush();
        $this->known = $kept;
    }

    #[AsTwigFunction('workshop_name')]
    public function name(): string
    {
        return $this->now()->name;
    }

    #[AsTwigFunction('workshop_letterhead')]
    public function letterhead(): string
    {
        return $this->now()->letterhead;
    }

    /** The same in the unit the workshop speaks besides, with a comma or brackets left to the page; empty where it speaks metric. */
    #[AsTwigFunction('beside')]
    public function beside(float $value, string $unit, UnitSystem $written, ?Unit $as = null): string
    {
        $metric = Unit::tryFrom($unit);

        return null === $metric ? '' : $this->now()->units->over($written)->said($value, $metric, $as);
    }

    /** A vacuum is read in inches of mercury, not in psi. */
    #[AsTwigFunction('vacuum_beside')]
    public function vacuumBeside(float $kilopascals, UnitSystem $written): string
    {
        return $this->beside($kilopascals, Unit::Kilopascal->value, $written, Unit::InchMercury);
    }
}
