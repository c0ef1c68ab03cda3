<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Style\SymfonyStyle;

#[AsCommand('account:create', 'Make an account for a person of the workshop.')]
final class AccountCreateCommand
{
    public function __construct(private readonly AccountBook $accounts)
    {
    }

    public function __invoke(
        SymfonyStyle $io, #[Argument('What the person types to sign in')] string $login, #[Argument('The person’s name')] string $name,
        #[Option('lead, mechanic or helper')] string $role = 'mechanic',
        #[Option('Read the password from standard input instead of asking')] bool $passwordStdin = false,
    ): int {
        $known = Role::tryFrom($role);
        if (null === $known) {
            $io->error('The role is lead, mechanic or helper.');

            return 2;
        }
        $password = $passwordStdin ? trim((string) fgets(\STDIN)) : $io->askHidden('Password');
        try {
            $account = $this->accounts->create($login, $name, $known, is_string($password) ? $password : '');
        } catch (\DomainException $e) {
            $io->error($e->getMessage());

            return 2;
        }
        $io->success(sprintf('%s can sign in as “%s” (%s).', $account->name, $account->login, $known->value));

        return 0;
    }
}
