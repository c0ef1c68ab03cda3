<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Procedures;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;

/** The texts of procedures that are kept: the workshop’s own in all their versions, and what fits were planned with. */
final readonly class ProcedureTexts
{
    public function __construct(private EntityManagerInterface $em, private ClockInterface $clock)
    {
    }

    /** @return array<string, string> id => hash of the own procedures that are planned with now */
    public function current(): array
    {
        $current = [];
        $rows = $this->em->getConnection()->fetchAllNumeric('SELECT procedure_id, hash FROM procedure_text WHERE current = 1');
        foreach ($rows as [$id, $hash]) {
            is_string($id) && is_string($hash) && $current[$id] = $hash;
        }

        return $current;
    }

    public function text(string $hash): ?ProcedureText
    {
        return $this->em->find(ProcedureText::class, $hash);
    }

    /** @return list<ProcedureText> the newest first */
    public function versions(string $id): array
    {
        return array_values($this->em->getRepository(ProcedureText::class)->findBy(
            ['procedureId' => $id, 'own' => true], ['version' => 'DESC'],
        ));
    }

    /** A version of the workshop’s own, planned with from now on; the same text again is the same version. */
    public function keepOwn(string $id, string $yaml, string $person): ProcedureText
    {
        return $this->em->wrapInTransaction(function () use ($id, $yaml, $person): ProcedureText {
            $version = 1 + max([0, ...array_map(static fn (ProcedureText $one): int => $one->version, $this->versions($id))]);
            $this->shelve($id);
            $text = $this->kept($id, $yaml);
            if (!$text->own) {
                [$text->own, $text->version, $text->person, $text->keptAt] = [true, $version, $person, $this->clock->now()];
            }
            $text->current = true;
            $this->em->flush();

            return $text;
        });
    }

    /** The shipped one is planned with again; the versions stay. */
    public function shelve(string $id): void
    {
        foreach ($this->em->getRepository(ProcedureText::class)->findBy(['procedureId' => $id, 'current' => true]) as $one) {
            $one->current = false;
        }
        $this->em->flush();
    }

    /** The text under its hash, kept where it is not yet: what a fit is planned with must not go. */
    public function kept(string $id, string $yaml): ProcedureText
    {
        $hash = ProcedureText::hash($id, $yaml);
        $text = $this->text($hash);
        if (null === $text) {
            $text = new ProcedureText($hash, $id, $yaml, false, false, 0, '', $this->clock->now());
            $this->em->persist($text);
            $this->em->flush();
        }

        return $text;
    }
}
