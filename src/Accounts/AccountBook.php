<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Uid\Ulid;

/** Makes accounts. */
final readonly class AccountBook
{
    public function __construct(private EntityManagerInterface $em, private UserPasswordHasherInterface $hasher)
    {
    }

    /** @throws \DomainException with a sentence for the person at the keyboard */
    public function create(
        string $login, string $name, Role $role, #[\SensitiveParameter] string $password, bool $demo = false,
    ): AccountRecord {
        $login = mb_strtolower(trim($login));
        1 === preg_match('/\A[a-z0-9][a-z0-9._-]{1,58}\z/', $login)
            || throw new \DomainException('The login is 2 to 59 of a-z, 0-9, dot, hyphen, underscore.');
        '' !== trim($name) || throw new \DomainException('The name is missing.');
        Password::ensureGood($password);
        null === $this->named($login) || throw new \DomainException(sprintf('“%s” is taken: choose another login.', $login));
        $account = new AccountRecord((string) new Ulid(), $login, trim($name), $role, $demo);
        $account->hashPasswordTo($this->hasher->hashPassword($account, $password));
        $this->em->persist($account);
        $this->em->flush();

        return $account;
    }

    /** @throws \DomainException when there is no such account or the password is none */
    public function changePassword(string $login, #[\SensitiveParameter] string $password): AccountRecord
    {
        Password::ensureGood($password);
        $account = $this->known($login);
        $account->hashPasswordTo($this->hasher->hashPassword($account, $password));
        $this->em->flush();

        return $account;
    }

    /** Whether this is the password of the account. */
    public function isPassword(string $login, #[\SensitiveParameter] string $password): bool
    {
        return $this->hasher->isPasswordValid($this->known($login), $password);
    }

    /** @throws \DomainException with a sentence for the person at the keyboard; an empty PIN takes it away */
    public function setPin(string $login, #[\SensitiveParameter] string $pin): void
    {
        '' === $pin || Pin::ensureGood($pin);
        $this->known($login)->pin = '' === $pin ? '' : password_hash($pin, \PASSWORD_DEFAULT);
        $this->em->flush();
    }

    /** @return list<AccountRecord> leads first, then by name; who is switched off last */
    public function all(): array
    {
        $all = $this->em->getRepository(AccountRecord::class)->findAll();
        $rank = static fn (AccountRecord $one): array => [$one->isOff, array_search($one->role, Role::cases(), true), $one->name];
        usort($all, static fn (AccountRecord $a, AccountRecord $b): int => $rank($a) <=> $rank($b));

        return $all;
    }

    /** @throws \DomainException where nobody would be left to sign off, or there is no such account */
    public function change(string $login, string $name, Role $role): AccountRecord
    {
        $account = $this->known($login);
        Role::Lead === $role || $this->ensureAnotherLead($account);
        [$account->name, $account->role] = [trim($name), $role];
        $this->em->flush();

        return $account;
    }

    /** @throws \DomainException */
    private function ensureAnotherLead(AccountRecord $account): void
    {
        $others = array_filter($this->all(), static fn (AccountRecord $one): bool => $one->isLead() && !$one->isOff && $one !== $account);
        !$account->isLead() || [] !== $others || throw new \DomainException(sprintf(
            '%s is the only lead: nobody could sign off. Make somebody else a lead first.', $account->name,
        ));
    }

    /** Switched off, a person cannot sign in and is signed out with the next request; what was done stays. */
    public function switchOff(string $login, bool $off = true): AccountRecord
    {
        $account = $this->known($login);
        !$off || $this->ensureAnotherLead($account);
        $account->isOff = $off;
        $this->em->flush();

        return $account;
    }

    /** Ends every session of a person: whoever was signed in has to sign in again. */
    public function endSessions(string $login): AccountRecord
    {
        $account = $this->known($login);
        ++$account->sessions;
        $this->em->flush();

        return $account;
    }

    private function known(string $login): AccountRecord
    {
        return $this->named($login) ?? throw new \DomainException(sprintf('There is no account “%s”.', mb_substr($login, 0, 40)));
    }

    /** Whether anybody here is real. */
    public function hasReal(): bool
    {
        return null !== $this->em->getRepository(AccountRecord::class)->findOneBy(['demo' => false]);
    }

    public function called(string $name): ?AccountRecord
    {
        return $this->em->getRepository(AccountRecord::class)->findOneBy(['name' => $name]);
    }

    /** Whether somebody here is called this. */
    public function isName(string $name): bool
    {
        return null !== $this->called($name);
    }

    public function named(string $login): ?AccountRecord
    {
        return $this->em->getRepository(AccountRecord::class)->findOneBy(['login' => mb_strtolower(trim($login))]);
    }
}
