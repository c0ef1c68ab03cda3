<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Renewal;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\PartJudged;
use NimbleKnuckle\Core\Quantity\Digits;

/** A part that came off and was judged: what it was judged by, what that says, and what was decided. */
final readonly class Worn
{
    public const REUSE = 'reuse';
    public const RENEW = 'renew';

    private function __construct(
        public Came $came, public FitEvent $event, public WornBy $by, public string $says, public string $why,
    ) {
    }

    public static function of(Came $came, FitEvent $event): self
    {
        $fact = $event->as(PartJudged::class);
        $by = WornBy::tryFrom($fact->by) ?? WornBy::Look;
        $value = $fact->value;
        [$least, $most] = [$fact->least, $fact->most];
        $most = WornBy::Length === $by && $came->longest > 0.0 ? min($came->longest, $most > 0.0 ? $most : $came->longest) : $most;
        [$says, $why] = match (true) {
            $came->isAlwaysNew => [self::RENEW, $came->rule],
            WornBy::Crack === $by => [self::RENEW, 'A crack, tear or groove grows.'],
            $by->isRead() && $most > 0.0 && $value > $most => [self::RENEW, self::read($by, $value, 'over', $most)],
            $by->isRead() && $least > 0.0 && $value < $least => [self::RENEW, self::read($by, $value, 'under', $least)],
            $by->isRead() && $most > 0.0 => [self::REUSE, self::read($by, $value, 'at most', $most)],
            $by->isRead() && $least > 0.0 => [self::REUSE, self::read($by, $value, 'at least', $least)],
            WornBy::Age === $by => [self::RENEW, 'Its age or distance is up.'],
            default => [self::REUSE, 'Looked at, and sound.'],
        };

        return new self($came, $event, $by, $says, $why);
    }

    public function isRenewed(): bool
    {
        return self::RENEW === $this->event->as(PartJudged::class)->verdict;
    }

    /** Whether it goes back in though what it was judged by says new. */
    public function isAgainst(): bool
    {
        return !$this->isRenewed() && self::RENEW === $this->says;
    }

    private static function read(WornBy $by, float $value, string $than, float $limit): string
    {
        return sprintf('%s%s%s, %s %s.', Digits::significant($value, 4, true), Digits::GROUP, $by->unit(), $than,
            Digits::significant($limit, 4, true));
    }
}
