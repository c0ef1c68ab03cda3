<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Style\SymfonyStyle;

#[AsCommand('account:change', 'Change a person’s password, switch the person off or on, or end every session.')]
final class AccountChangeCommand
{
    private const WHAT = ['password', 'off', 'on', 'sign-out'];

    public function __construct(private readonly AccountBook $accounts)
    {
    }

    public function __invoke(
        SymfonyStyle $io, #[Argument('Whose account')] string $login, #[Argument('password, off, on or sign-out')] string $what,
        #[Option('Read the password from standard input instead of asking')] bool $passwordStdin = false,
    ): int {
        try {
            $said = match ($what) {
                'password' => sprintf(
                    '%s has a new password; every session is ended.',
                    $this->accounts->changePassword($login, $this->password($passwordStdin, $io))->name,
                ),
                'off' => sprintf('%s is switched off and signed out.', $this->accounts->switchOff($login)->name),
                'on' => sprintf('%s can sign in again.', $this->accounts->switchOff($login, false)->name),
                'sign-out' => sprintf('%s is signed out everywhere.', $this->accounts->endSessions($login)->name),
                default => throw new \DomainException(sprintf('Say what: %s.', implode(', ', self::WHAT))),
            };
        } catch (\DomainException $e) {
            $io->error($e->getMessage());

            return 2;
        }
        $io->success($said);

        return 0;
    }

    private function password(bool $isPiped, SymfonyStyle $io): string
    {
        $password = $isPiped ? rtrim((string) fgets(\STDIN), "\r\n") : $io->askHidden('New password');

        return is_string($password) ? $password : '';
    }
}
