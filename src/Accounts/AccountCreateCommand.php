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

#[AsCommand('account:create', 'Make an account for a person of the workshop.')]
final class AccountCreateCommand extends Command
{
    public function __construct(private readonly AccountBook $accounts)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('login', InputArgument::REQUIRED, 'What the person types to sign in')
            ->addArgument('name', InputArgument::REQUIRED, 'The person’s name')
            ->addOption('role', null, InputOption::VALUE_REQUIRED, 'lead, mechanic or helper', 'mechanic')
            ->addOption('password-stdin', null, InputOption::VALUE_NONE, 'Read the password from standard input instead of asking');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $io = new SymfonyStyle($input, $output);
        $role = Role::tryFrom(self::text($input->getOption('role')));
        if (null === $role) {
            $io->error('The role is lead, mechanic or helper.');

            return 2;
        }
        $password = true === $input->getOption('password-stdin') ? trim((string) fgets(\STDIN)) : self::text($io->askHidden('Password'));
        try {
            $account = $this->accounts->create(
                self::text($input->getArgument('login')), self::text($input->getArgument('name')), $role, $password,
            );
        } catch (\DomainException $e) {
            $io->error($e->getMessage());

            return 2;
        }
        $io->success(sprintf('%s can sign in as “%s” (%s).', $account->name, $account->login, $role->value));

        return 0;
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }
}
