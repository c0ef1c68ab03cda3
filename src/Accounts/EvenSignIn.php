<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Http\Authenticator\Passport\Badge\UserBadge;
use Symfony\Component\Security\Http\Authenticator\Passport\Credentials\PasswordCredentials;
use Symfony\Component\Security\Http\Event\CheckPassportEvent;

/** An unknown name costs as long as a wrong password: a password is worked out for it too, and thrown away. */
final readonly class EvenSignIn
{
    public function __construct(private PasswordHasherFactoryInterface $hashers)
    {
    }

    #[AsEventListener(priority: 1000)]
    public function __invoke(CheckPassportEvent $event): void
    {
        $passport = $event->getPassport();
        $credentials = $passport->getBadge(PasswordCredentials::class);
        if (!$passport->hasBadge(UserBadge::class) || !$credentials instanceof PasswordCredentials) {
            return;
        }
        try {
            $passport->getUser();
        } catch (UserNotFoundException $e) {
            $this->hashers->getPasswordHasher(AccountRecord::class)->hash(mb_substr($credentials->getPassword(), 0, Password::MOST));
            throw $e;
        }
    }
}
