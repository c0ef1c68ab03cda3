<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Procedures;

use Doctrine\ORM\Mapping as ORM;

/**
 * A procedure as it was written, once: a version of the workshop’s own, or the shipped one some fit was planned with. Named by what
 * stands in it, so that the same text is kept once.
 */
#[ORM\Entity]
#[ORM\Table(name: 'procedure_text')]
#[ORM\Index(columns: ['procedure_id', 'version'], name: 'procedure_text_of')]
class ProcedureText
{
    public function __construct(
        #[ORM\Id, ORM\Column(length: 32)]
        public readonly string $hash,
        #[ORM\Column(length: 60)]
        public readonly string $procedureId,
        #[ORM\Column(type: 'text')]
        public readonly string $yaml,
        /** Whether the workshop wrote it. */
        #[ORM\Column]
        public bool $own,
        /** Whether it is the one that is planned with now. */
        #[ORM\Column]
        public bool $current,
        #[ORM\Column]
        public int $version,
        #[ORM\Column(length: 120)]
        public string $person,
        #[ORM\Column(type: 'datetime_immutable')]
        public \DateTimeImmutable $keptAt,
    ) {
    }

    public static function hash(string $id, string $yaml): string
    {
        return hash('xxh128', $id."\n".$yaml);
    }
}
