<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Devices\ReadingRecord;
use NimbleKnuckle\Core\Bench\Event\EventType;
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
        ] + ('' === $r->via ? [] : ['via' => $r->via]), $this->em->getRepository(ReadingRecord::class)->findBy(
            ['fitId' => $fitId, 'done' => true], ['id' => 'ASC'],
        )));
    }

    /**
     * A mark that says it was read off a pull is held against the reading that is here: of this fit, this joint and this fastener. Where
     * there is none such the mark stays, as set by hand. Into a fit of ours a file brings no such claim at all.
     *
     * @param string $fitId empty for a fit that was here before the file
     * @param array<array-key, mixed> $payload
     *
     * @return array<array-key, mixed>
     */
    public function withoutFalseClaims(string $fitId, EventType $type, array $payload): array
    {
        $claim = is_string($payload['reading'] ?? null) ? $payload['reading'] : '';
        if ([] === $type->fieldsOfServer() || '' === $claim && !isset($payload['torque'])) {
            return $payload;
        }
        $reading = $this->em->find(ReadingRecord::class, $claim);
        $isSo = null !== $reading && $reading->fitId === $fitId && $reading->joint === ($payload['joint'] ?? '')
            && $reading->bolt === ($payload['bolt'] ?? 0);

        return $isSo ? $payload : array_diff_key($payload, array_flip($type->fieldsOfServer()));
    }

    /**
     * @param list<Node> $readings
     * @param string $via who brings the file
     * @param bool $isSigned then nothing is added to what was measured
     *
     * @throws InvalidDocument naming the place and the remedy
     */
    public function enter(string $fitId, array $readings, string $via, bool $isSigned): void
    {
        foreach ($readings as $node) {
            // One of another fit stays that fit’s: a mark here that names it is not believed.
            if (null !== $this->em->find(ReadingRecord::class, $node->string('id'))) {
                continue;
            }
            !$isSigned || throw $node->refuse('id', 'this fit is signed off: no reading is added to it any more.');
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
                mb_substr(sprintf('stated in a file brought by %s; %s', $via, $node->string('via', 'there by a device')), 0, 160),
            ));
        }
        $this->em->flush();
    }
}
