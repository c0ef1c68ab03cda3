<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('device:add', 'Add a device that sends readings, and print its token; with --renew, a new token for one there is.')]
final class DeviceAddCommand
{
    public function __construct(private readonly DeviceBook $devices)
    {
    }

    public function __invoke(
        OutputInterface $output, #[Argument('Its name')] string $name,
        #[Option('wrench, thermometer, press, gauge, pump, logger or recorder')] string $kind = 'wrench',
        #[Option('A new token for a device there is')] bool $renew = false,
    ): int {
        try {
            $known = $this->devices->named($name);
            if ($renew) {
                $output->writeln($this->devices->renewToken($known ?? throw InvalidInput::in('name', 'There is no device of that name.')));

                return 0;
            }
            [, $token] = $this->devices->add(
                $name,
                DeviceKind::tryFrom($kind) ?? throw InvalidInput::in(
                    'kind', '“kind” is wrench, thermometer, press, gauge, pump, logger or recorder.',
                ),
            );
            $output->writeln($token);

            return 0;
        } catch (InvalidInput $e) {
            $output->writeln(sprintf('%s: %s', $e->field, $e->getMessage()));

            return 2;
        }
    }
}
