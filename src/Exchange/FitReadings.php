<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Devices\ReadingRecord;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;

/** The readings of a fit as they go out with it and come in: finished ones, sample by sample. One that is known is left as it is. */
final readonly class FitReadings
{
    public function __construct(private EntityManagerInterface $em)
    {
    }

    /** @return list<array<string, mixed>> */
    public function of(string $fitId): array
    {
        return array_values(array_map(static fn (ReadingRecord $r): array => [
            'id' => $r->id, 'device' => $r->deviceName, 'kind' => $r->kind, 'step' => $r->step, 'joint' => $r->joint,
            'bolt' => $r->bolt, 'task' => (object) $r->task, 'by' => $r->byName,
            'at' => $r->takenAt->format(\DATE_ATOM), 'samples' => $r->samples, 'verdict' => $r->verdict, 'finding' => $r->finding,
            'said' => $r->said, 'marked' => $r->marked,
        ], $this->em->getRepository(ReadingRecord::class)->findBy(['fitId' => $fitId, 'done' => true], ['id' => 'ASC'])));
    }

    /**
     * @param list<Node> $readings
     *
     * @throws InvalidDocument naming the place and the remedy
     */
    public function enter(string $fitId, array $readings): void
    {
        foreach ($readings as $node) {
            if (null !== $this->em->find(ReadingRecord::class, $node->string('id'))) {
                continue;
            }
            $at = date_create_immutable($node->string('at'));
            false !== $at || throw $node->refuse('at', 'an instant as ISO 8601 is needed.');
            $samples = [];
            foreach ($node->node('samples')->raw() as $sample) {
                $samples[] = is_array($sample) ? array_map(
                    static fn (mixed $n): float => is_numeric($n) ? (float) $n : 0.0, array_values($sample),
                ) : [];
            }
            $this->em->persist(new ReadingRecord(
                $node->string('id'), '', $node->string('device'), $node->string('kind'), $fitId, $node->string('step'),
                $node->string('joint', ''), $node->int('bolt', 0),
                $node->node('task')->map(), $node->string('by'), $at, $samples, true, $node->string('verdict', ''),
                $node->string('finding', ''), $node->string('said', ''), $node->bool('marked'),
            ));
        }
        $this->em->flush();
    }
}
