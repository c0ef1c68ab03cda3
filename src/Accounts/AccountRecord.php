<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Doctrine\ORM\Mapping as ORM;
use NimbleKnuckle\Core\Bench\Event\Authority;
use Symfony\Component\Security\Core\User\EquatableInterface;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\UserInterface;

/** A person of the workshop who can sign in. */
#[ORM\Entity]
#[ORM\Table(name: 'account')]
class AccountRecord implements UserInterface, PasswordAuthenticatedUserInterface, EquatableInterface
{
    #[ORM\Column(name: 'is_off')]
    public bool $isOff = false;

    /** Grows when every session of the person is ended. */
    #[ORM\Column]
    public int $sessions = 0;

    /** Hashed; empty where the person has set none. */
    #[ORM\Column(options: ['default' => ''])]
    public string $pin = '';

    #[ORM\Column]
    private string $password = '';

    public function __construct(
        #[ORM\Id, ORM\Column(length: 26)]
        public readonly string $id,
        #[ORM\Column(length: 60, unique: true)]
        public readonly string $login,
        #[ORM\Column(length: 120)]
        public string $name,
        #[ORM\Column(length: 12, enumType: Role::class)]
        public Role $role,
        #[ORM\Column]
        public readonly bool $demo = false,
    ) {
    }

    public function hashPasswordTo(string $hash): void
    {
        $this->password = $hash;
    }

    public function getPassword(): string
    {
        return $this->password;
    }

    public function getRoles(): array
    {
        return [$this->role->securityRole()];
    }

    public function getUserIdentifier(): string
    {
        return '' === $this->login ? throw new \LogicException('An account has a login.') : $this->login;
    }

    /** Whether a session made with the other still holds. */
    public function isEqualTo(UserInterface $user): bool
    {
        return $user instanceof self
            && !$this->isOff
            && $user->sessions === $this->sessions
            && $user->password === $this->password
            && $user->role === $this->role
            && $user->login === $this->login;
    }

    public function eraseCredentials(): void
    {
    }

    public function hand(): Authority
    {
        return $this->role->hand();
    }

    public function isLead(): bool
    {
        return Role::Lead === $this->role;
    }
}
