<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Cookie;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\ResponseEvent;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;
use Symfony\Component\Security\Http\Event\LogoutEvent;

/**
 * Who has signed in on this tablet today with name and password: among these a PIN is enough to change hands. Five wrong PINs, a
 * sign-out, a new password or the next day, and the password is asked again.
 */
final readonly class HandsHere
{
    public const COOKIE = 'nk_tablet';
    public const TRIES = 5;

    public function __construct(
        private Connection $db, private EntityManagerInterface $em, private ClockInterface $clock,
    ) {
    }

    /** @return list<AccountRecord> who may change hands here: with a PIN, signed in here today, and nothing changed since */
    public function others(Request $request, AccountRecord $me): array
    {
        $rows = $this->db->fetchAllKeyValue(
            'SELECT login, sessions FROM hand_here WHERE tablet = ? AND day = ? AND wrong < ? AND login <> ?',
            [$this->tablet($request), $this->today(), self::TRIES, $me->login],
        );
        $people = $this->em->getRepository(AccountRecord::class)->findBy(['login' => array_keys($rows)], ['name' => 'ASC']);

        $isSame = static fn (AccountRecord $one): bool => is_numeric($rows[$one->login] ?? null)
            && (int) $rows[$one->login] === $one->sessions;

        return array_values(array_filter(
            $people, static fn (AccountRecord $one): bool => !$one->isOff && '' !== $one->pin && $isSame($one),
        ));
    }

    /** The person, where the PIN is theirs; every wrong one counts. */
    public function changed(Request $request, AccountRecord $me, string $login, #[\SensitiveParameter] string $pin): ?AccountRecord
    {
        foreach ($this->others($request, $me) as $one) {
            if ($one->login !== $login) {
                continue;
            }
            // Counted before it is looked at: ten at once are ten.
            $this->db->executeStatement(
                'UPDATE hand_here SET wrong = wrong + 1 WHERE tablet = ? AND login = ?', [$this->tablet($request), $login],
            );
            if (password_verify($pin, $one->pin)) {
                return $one;
            }
        }

        return null;
    }

    #[AsEventListener]
    public function signedIn(LoginSuccessEvent $event): void
    {
        $person = $event->getUser();
        $request = $event->getRequest();
        if (!$person instanceof AccountRecord) {
            return;
        }
        $tablet = $this->tablet($request) ?: bin2hex(random_bytes(16));
        $request->attributes->set('_tablet', $tablet);
        $this->db->executeStatement('DELETE FROM hand_here WHERE day <> ?', [$this->today()]);
        $this->db->executeStatement(
            'INSERT INTO hand_here (tablet, login, day, sessions, wrong) VALUES (?, ?, ?, ?, 0)
                ON CONFLICT (tablet, login) DO UPDATE SET day = excluded.day, sessions = excluded.sessions, wrong = 0',
            [$tablet, $person->login, $this->today(), $person->sessions],
        );
    }

    #[AsEventListener]
    public function signedOut(LogoutEvent $event): void
    {
        $person = $event->getToken()?->getUser();
        // Who only makes room for somebody else comes back with the PIN; who signs out is gone.
        if ($person instanceof AccountRecord && !$event->getRequest()->request->getBoolean('keep')) {
            $this->db->delete('hand_here', ['tablet' => $this->tablet($event->getRequest()), 'login' => $person->login]);
        }
    }

    #[AsEventListener]
    public function named(ResponseEvent $event): void
    {
        $tablet = $event->getRequest()->attributes->get('_tablet');
        if ($event->isMainRequest() && is_string($tablet)) {
            $event->getResponse()->headers->setCookie(Cookie::create(
                self::COOKIE, $tablet, $this->clock->now()->modify('+1 year'), '/', null, $event->getRequest()->isSecure(), true, false,
                Cookie::SAMESITE_LAX,
            ));
        }
    }

    private function tablet(Request $request): string
    {
        $named = $request->attributes->get('_tablet') ?? $request->cookies->getString(self::COOKIE);

        return is_string($named) && 1 === preg_match('/\A[0-9a-f]{32}\z/', $named) ? $named : '';
    }

    private function today(): string
    {
        return $this->clock->now()->setTimezone(new \DateTimeZone(date_default_timezone_get()))->format('Y-m-d');
    }
}
