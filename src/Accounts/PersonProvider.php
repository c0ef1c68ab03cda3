<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Doctrine\DBAL\Connection;
use Symfony\Component\Security\Core\Exception\UnsupportedUserException;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Core\User\UserInterface;
use Symfony\Component\Security\Core\User\UserProviderInterface;

/**
 * Who is signed in, read by one plain query: this runs on every request, and most pages need no entity manager.
 *
 * @implements UserProviderInterface<AccountRecord>
 */
final readonly class PersonProvider implements UserProviderInterface
{
    public function __construct(private Connection $db)
    {
    }

    public function loadUserByIdentifier(string $identifier): AccountRecord
    {
        $row = $this->db->fetchAssociative(
            'SELECT id, login, name, role, demo, password, is_off, sessions FROM account WHERE login = ?',
            [mb_strtolower(trim($identifier))],
        );
        if (false === $row || '1' === (string) (is_scalar($row['is_off']) ? (int) $row['is_off'] : 0)) {
            $e = new UserNotFoundException();
            $e->setUserIdentifier($identifier);

            throw $e;
        }
        $text = static fn (string $key): string => is_scalar($row[$key]) ? (string) $row[$key] : '';
        $account = new AccountRecord($text('id'), $text('login'), $text('name'), Role::from($text('role')), '1' === $text('demo'));
        $account->hashPasswordTo($text('password'));
        $account->sessions = (int) $text('sessions');

        return $account;
    }

    public function refreshUser(UserInterface $user): AccountRecord
    {
        return $user instanceof AccountRecord
            ? $this->loadUserByIdentifier($user->getUserIdentifier())
            : throw new UnsupportedUserException();
    }

    public function supportsClass(string $class): bool
    {
        return AccountRecord::class === $class;
    }
}
