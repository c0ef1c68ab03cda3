<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('device:add', 'Add a device that sends readings, and print its token; with --renew, a new token for one there is.')]
final class DeviceAddCommand extends Command
{
    public function __construct(private readonly DeviceBook $devices)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('name', InputArgument::REQUIRED, 'Its name')
            ->addOption('kind', null, InputOption::VALUE_REQUIRED, 'wrench or thermometer', 'wrench')
            ->addOption('renew', null, InputOption::VALUE_NONE, 'A new token for a device there is');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $name = $input->getArgument('name');
        $kind = $input->getOption('kind');
        try {
            $known = is_string($name) ? $this->devices->named($name) : null;
            if (true === $input->getOption('renew')) {
                $output->writeln($this->devices->renewToken($known ?? throw InvalidInput::in('name', 'There is no device of that name.')));

                return 0;
            }
            [, $token] = $this->devices->add(
                is_string($name) ? $name : '',
                DeviceKind::tryFrom(is_string($kind) ? $kind : '') ?? throw InvalidInput::in('kind', '“kind” is wrench or thermometer.'),
            );
            $output->writeln($token);

            return 0;
        } catch (InvalidInput $e) {
            $output->writeln(sprintf('%s: %s', $e->field, $e->getMessage()));

            return 2;
        }
    }
}
