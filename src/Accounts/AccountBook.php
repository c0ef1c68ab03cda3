<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Uid\Ulid;

/** Makes accounts. */
final readonly class AccountBook
{
    public const LEAST_PASSWORD = 10;

    public function __construct(private EntityManagerInterface $em, private UserPasswordHasherInterface $hasher)
    {
    }

    /** @throws \DomainException with a sentence for the person at the keyboard */
    public function create(string $login, string $name, Role $role, #[\SensitiveParameter] string $password, bool $demo = false): AccountRecord
    {
        $login = mb_strtolower(trim($login));
        1 === preg_match('/\A[a-z0-9][a-z0-9._-]{1,58}\z/', $login) || throw new \DomainException('The login is 2 to 59 of a-z, 0-9, dot, hyphen, underscore.');
        '' !== trim($name) || throw new \DomainException('The name is missing.');
        mb_strlen($password) >= self::LEAST_PASSWORD || throw new \DomainException(sprintf('The password needs at least %d characters.', self::LEAST_PASSWORD));
        null === $this->named($login) || throw new \DomainException(sprintf('«%s» is taken: choose another login.', $login));
        $account = new AccountRecord((string) new Ulid(), $login, trim($name), $role, $demo);
        $account->hashPasswordTo($this->hasher->hashPassword($account, $password));
        $this->em->persist($account);
        $this->em->flush();

        return $account;
    }

    /** Whether somebody here is called this. */
    public function isName(string $name): bool
    {
        return null !== $this->em->getRepository(AccountRecord::class)->findOneBy(['name' => $name]);
    }

    public function named(string $login): ?AccountRecord
    {
        return $this->em->getRepository(AccountRecord::class)->findOneBy(['login' => mb_strtolower(trim($login))]);
    }
}
