<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Style\SymfonyStyle;

#[AsCommand('account:code', 'Print the code with which the first lead is made in the browser.')]
final class AccountCodeCommand
{
    public function __construct(private readonly FirstCode $code)
    {
    }

    public function __invoke(SymfonyStyle $io): int
    {
        if (!$this->code->isOpen()) {
            $io->error('Somebody is here already: a lead adds people under “People”, or use account:create.');

            return 2;
        }
        $io->writeln($this->code->now());

        return 0;
    }
}
