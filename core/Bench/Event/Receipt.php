<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Event;

/** How an event reached the server: when, from which tablet, how long it lay there unsent, in s; and who brought it in a file. */
final readonly class Receipt
{
    public function __construct(
        public \DateTimeImmutable $at, public string $device = '', public float $waited = 0.0, public string $via = '',
        public string $against = '', public string $beside = '',
    ) {
    }

    /** When it happened by the server’s clock: when it came in, less the time it lay on its tablet. */
    public function happened(): \DateTimeImmutable
    {
        return $this->at->modify(sprintf('-%d milliseconds', (int) round(1000 * $this->waited)));
    }

    /** Made without the server, and out of order by what the server knows: it is kept, with what stood against it. */
    public function over(string $against): self
    {
        return new self($this->at, $this->device, $this->waited, $this->via, $against, $this->beside);
    }

    /** Taken without having seen a reading that another tablet had taken, by its event. */
    public function beside(string $event): self
    {
        return new self($this->at, $this->device, $this->waited, $this->via, $this->against, $event);
    }

    /** From a tablet: how long it lay there is by the tablet's own clock, 30 days at the most; a name that is none is left out. */
    public static function from(string $device, \DateTimeImmutable $at, \DateTimeImmutable $sent, \DateTimeImmutable $now): self
    {
        return new self(
            $now, 1 === preg_match('/\A[0-9A-Za-z-]{1,40}\z/', $device) ? $device : '',
            min(max(0.0, (float) $sent->format('U.u') - (float) $at->format('U.u')), 30 * 86400.0),
        );
    }
}
