<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Console\Style\SymfonyStyle;

#[AsCommand('account:change', 'Change a person’s password, switch the person off or on, or end every session.')]
final class AccountChangeCommand extends Command
{
    private const WHAT = ['password', 'off', 'on', 'sign-out'];

    public function __construct(private readonly AccountBook $accounts)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('login', InputArgument::REQUIRED, 'Whose account')
            ->addArgument('what', InputArgument::REQUIRED, implode(', ', self::WHAT))
            ->addOption('password-stdin', null, InputOption::VALUE_NONE, 'Read the password from standard input instead of asking');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $io = new SymfonyStyle($input, $output);
        $login = is_string($input->getArgument('login')) ? $input->getArgument('login') : '';
        try {
            $said = match ($input->getArgument('what')) {
                'password' => sprintf(
                    '%s has a new password; every session is ended.',
                    $this->accounts->changePassword($login, $this->password($input, $io))->name,
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

    private function password(InputInterface $input, SymfonyStyle $io): string
    {
        $password = true === $input->getOption('password-stdin') ? rtrim((string) fgets(\STDIN), "\r\n") : $io->askHidden('New password');

        return is_string($password) ? $password : '';
    }
}
