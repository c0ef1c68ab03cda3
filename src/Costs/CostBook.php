<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Costs;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Workshop\WorkshopBook;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Labour\LabourTimes;
use NimbleKnuckle\Core\Bench\Renewal\RenewList;
use NimbleKnuckle\Core\Cost\Cost;
use NimbleKnuckle\Core\Cost\PartUsed;
use NimbleKnuckle\Core\Sheet\Pick;

/** What fits cost: the time of the log, the parts of the sheet and those that came on, prices as they were last written. */
final readonly class CostBook
{
    public function __construct(private EntityManagerInterface $em, private WorkshopBook $workshop)
    {
    }

    public function of(string $fitId, Fit $fit): Cost
    {
        return Cost::of(
            $fit->sheet->timing, $this->workshop->now()->rate,
            array_map(static fn (LabourTimes $hands): float => $hands->minutes, LabourTimes::of($fit)), $this->parts($fitId, $fit),
        );
    }

    /** @return list<PartUsed> those of the sheet in its order, then those that came on at the bench */
    private function parts(string $fitId, Fit $fit): array
    {
        $written = [];
        foreach ($this->em->getRepository(FitPart::class)->findBy(['fitId' => $fitId], ['name' => 'ASC']) as $part) {
            $written[self::key($part->name)] = $part;
        }
        $parts = [];
        foreach ([[false, $fit->sheet->lists->parts], [true, $fit->sheet->lists->consumables]] as [$isConsumable, $picks]) {
            foreach ($picks as $pick) {
                $key = self::key($pick->name);
                isset($parts[$key]) || $parts[$key] = $this->part($pick, $isConsumable, $written[$key] ?? null);
                unset($written[$key]);
            }
        }
        foreach (RenewList::of($fit)->renewed() as $worn) {
            // What was found worn comes on beside what the sheet has; a joint is so many bolts.
            $key = self::key($worn->came->name);
            $pick = new Pick($worn->came->name, (string) $worn->came->count, '', false, '');
            isset($parts[$key]) || $parts[$key] = $this->part($pick, false, $written[$key] ?? null);
            unset($written[$key]);
        }
        foreach ($written as $key => $part) {
            $parts[$key] = new PartUsed($part->name, $part->number, 0.0, $part->used, $part->price);
        }

        return array_values($parts);
    }

    private function part(Pick $pick, bool $isConsumable, ?FitPart $written): PartUsed
    {
        $known = null === $written ? $this->em->find(PartPrice::class, self::key($pick->name)) : null;

        return new PartUsed(
            $pick->name, $written->number ?? $known->number ?? '', PartUsed::amount($pick->amount), $written?->used,
            null === $written ? $known?->price : $written->price, $isConsumable,
        );
    }

    /** @param list<PartUsed> $parts as they were written; what is known of each part is remembered for the next fit */
    public function keep(string $fitId, array $parts): void
    {
        $this->em->wrapInTransaction(function () use ($fitId, $parts): void {
            foreach ($this->em->getRepository(FitPart::class)->findBy(['fitId' => $fitId]) as $old) {
                $this->em->remove($old);
            }
            $this->em->flush();
            foreach ($parts as $part) {
                $this->em->persist(new FitPart($fitId, $part->name, $part->number, $part->each, $part->used));
                $known = $this->em->find(PartPrice::class, self::key($part->name)) ?? new PartPrice(self::key($part->name), '', null);
                $known->number = '' === $part->number ? $known->number : $part->number;
                $known->price = $part->each ?? $known->price;
                $this->em->persist($known);
                $this->em->flush();
            }
        });
    }

    /** @return list<PartPrice> by name */
    public function prices(): array
    {
        return array_values($this->em->getRepository(PartPrice::class)->findBy([], ['name' => 'ASC']));
    }

    /** @param list<PartUsed> $parts the whole list: what is not on it is known no more */
    public function keepPrices(array $parts): void
    {
        $this->em->wrapInTransaction(function () use ($parts): void {
            foreach ($this->prices() as $old) {
                $this->em->remove($old);
            }
            $this->em->flush();
            foreach ($parts as $part) {
                $this->em->persist(new PartPrice(self::key($part->name), $part->number, $part->each));
            }
        });
    }

    private static function key(string $name): string
    {
        return mb_substr(trim(mb_strtolower($name)), 0, 160);
    }
}
