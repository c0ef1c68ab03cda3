<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

use NimbleKnuckle\Core\Bench\Event\EventTime;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Event\Receipt;
use Psr\Clock\ClockInterface;

/**
 * When a mark happened, by the server’s clock: when it came in, less the time it lay on its tablet by that tablet’s own clock. What the
 * tablet’s clock itself shows counts for nothing. Nothing happened before the fit was made, and nothing long before the same tablet was
 * last heard of here: it would have been sent then.
 */
final readonly class Arrival
{
    /** s a tablet may be busy with a picture before it sends what was marked meanwhile. */
    private const BUSY = 120;

    public function __construct(private Recorder $recorder, private ClockInterface $clock)
    {
    }

    /**
     * @param mixed $at by the tablet’s clock, when it was made
     * @param mixed $sent by the same clock, when it was sent; null where it goes at once
     * @param ?\DateTimeImmutable $after when the one before it in the same sending happened
     *
     * @throws InvalidEvent where one of them is no instant
     */
    public function of(FitRecord $record, mixed $device, mixed $at, mixed $sent, ?\DateTimeImmutable $after = null): Receipt
    {
        $now = $this->clock->now();
        $made = EventTime::read($at);
        $receipt = Receipt::from(is_string($device) ? $device : '', $made, null === $sent ? $made : EventTime::read($sent, 'sent'), $now);
        $longest = (float) $now->format('U.u') - max(array_map(
            static fn (\DateTimeImmutable $one): float => (float) $one->format('U.u'),
            [$record->createdAt, $after ?? $record->createdAt, ...$this->heard($record, $receipt)],
        ));

        return new Receipt($now, $receipt->device, max(0.0, min($receipt->waited, $longest)));
    }

    /** @return list<\DateTimeImmutable> when this tablet was last heard of on this fit, less what it may have been busy with */
    private function heard(FitRecord $record, Receipt $receipt): array
    {
        if ('' === $receipt->device || 0.0 === $receipt->waited) {
            return [];
        }
        $mine = array_filter(
            $this->recorder->load($record)->state->log, static fn (FitEvent $one): bool => $one->receipt->device === $receipt->device,
        );
        $last = end($mine);

        return false === $last ? [] : [$last->receipt->at->modify(sprintf('-%d seconds', self::BUSY))];
    }
}
