<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\Security\Http\Authenticator\Passport\Badge\UserBadge;
use Symfony\Component\Security\Http\Event\CheckPassportEvent;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;

/**
 * After five wrong tries in a quarter of an hour for one name from one place, or twenty from one place, nobody is let
 * in there for a while.
 */
final readonly class SignInThrottle
{
    private const TRIES = 5;
    private const TRIES_OF_PLACE = 20;
    private const MINUTES = 15;

    public function __construct(private Connection $db, private RequestStack $requests, private ClockInterface $clock)
    {
    }

    #[AsEventListener(priority: 2000)]
    public function check(CheckPassportEvent $event): void
    {
        $badge = $event->getPassport()->getBadge(UserBadge::class);
        $login = $badge instanceof UserBadge ? $badge->getUserIdentifier() : '';
        // The try is counted before its password is looked at, and under the lock: thirty at once are thirty.
        $tooMany = $this->db->transactional(function () use ($login): bool {
            if ($this->failures($this->key($login)) >= self::TRIES || $this->failures($this->key('')) >= self::TRIES_OF_PLACE) {
                return true;
            }
            foreach (array_unique([$this->key($login), $this->key('')]) as $key) {
                $this->db->insert('sign_in_failure', ['who' => $key, 'at' => $this->now()]);
            }
            $this->db->executeStatement(
                'DELETE FROM sign_in_failure WHERE at < ? OR at > ?',
                [$this->now() - self::MINUTES * 60, $this->now() + self::MINUTES * 60],
            );

            return false;
        });
        $tooMany && throw TooManyFailures::waitMinutes(self::MINUTES);
    }

    #[AsEventListener]
    public function succeeded(LoginSuccessEvent $event): void
    {
        $this->db->delete('sign_in_failure', ['who' => $this->key($event->getUser()->getUserIdentifier())]);
        // One good try is no longer held against the place it came from.
        $this->db->executeStatement(
            'DELETE FROM sign_in_failure WHERE rowid = (SELECT MAX(rowid) FROM sign_in_failure WHERE who = ?)', [$this->key('')],
        );
    }

    private function failures(string $key): int
    {
        $count = $this->db->fetchOne(
            'SELECT COUNT(*) FROM sign_in_failure WHERE who = ? AND at BETWEEN ? AND ?',
            [$key, $this->now() - self::MINUTES * 60, $this->now() + self::MINUTES * 60],
        );

        return is_numeric($count) ? (int) $count : 0;
    }

    private function key(string $login): string
    {
        return hash('sha256', mb_strtolower($login).'|'.$this->requests->getMainRequest()?->getClientIp());
    }

    private function now(): int
    {
        return $this->clock->now()->getTimestamp();
    }
}
