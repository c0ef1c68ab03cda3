<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use NimbleKnuckle\Core\Fluids\WarmUp\EngineData;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineFault;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineModel;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Uid\Ulid;

/**
 * A simulated engine that warms up: its temperature goes to the step the named thermometer is in hand for, so many times
 * faster than a clock; with --url and --token over HTTP. With --print it writes one reading, ready for warm-up, and no more.
 */
#[AsCommand('device:engine', 'Warm up a simulated engine and send its temperature, or print one warm-up.')]
final class DeviceEngineCommand extends Command
{
    private const PIECE = 20.0;

    public function __construct(private readonly DeviceBook $devices, private readonly ReadingBook $readings, private readonly Post $post)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('device', InputArgument::OPTIONAL, 'The name of a thermometer that is in hand')
            ->addOption(
                'fault', null, InputOption::VALUE_REQUIRED,
                'What is wrong: '.implode(', ', array_map(static fn (EngineFault $f): string => $f->value, EngineFault::cases())),
                'none',
            )
            ->addOption('seed', null, InputOption::VALUE_REQUIRED, 'Which of the many like engines', '')
            ->addOption('opens', null, InputOption::VALUE_REQUIRED, 'The thermostat opens at, °C', '88')
            ->addOption('ambient', null, InputOption::VALUE_REQUIRED, 'Air, °C', '16')
            ->addOption('speed', null, InputOption::VALUE_REQUIRED, 'Times faster than a clock; 0 does not wait', '20')
            ->addOption('url', null, InputOption::VALUE_REQUIRED, 'Send over HTTP to this address')
            ->addOption('token', null, InputOption::VALUE_REQUIRED, 'The device’s token, with --url')
            ->addOption('print', null, InputOption::VALUE_NONE, 'Print one whole warm-up');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        try {
            $fault = EngineFault::tryFrom(self::option($input, 'fault')) ?? throw InvalidInput::in(
                'fault', 'That fault is not known: see --help.',
            );
            $opens = self::number($input, 'opens', 50.0, 120.0);
            $seed = is_numeric(self::option($input, 'seed')) ? (int) self::option($input, 'seed') : random_int(1, 1_000_000);
            $samples = (new EngineModel(new EngineData($opens, self::number($input, 'ambient', -30.0, 45.0)), $fault, $seed))->whole();
            if (true === $input->getOption('print')) {
                $output->writeln(
                    json_encode(['sum' => 'warm-up', 'inputs' => ['samples' => $samples, 'opens' => $opens]], \JSON_THROW_ON_ERROR),
                    OutputInterface::OUTPUT_RAW,
                );

                return 0;
            }

            return $this->sendAll($input, $output, $samples, self::number($input, 'speed', 0.0, 1000.0));
        } catch (InvalidInput $e) {
            $output->writeln(sprintf('%s: %s', $e->field, $e->getMessage()));

            return 2;
        }
    }

    /** @param list<array{float, float}> $samples */
    private function sendAll(InputInterface $input, OutputInterface $output, array $samples, float $speed): int
    {
        $id = (string) new Ulid();
        $answer = ['finding' => '', 'said' => ''];
        $size = max(1, (int) round(self::PIECE / (($samples[1][0] ?? 2.0) - ($samples[0][0] ?? 0.0))));
        for ($from = 0; $from < count($samples); $from += $size) {
            $piece = SimulatedEngine::document($id, $from, array_slice($samples, $from, $size), $from + $size >= count($samples));
            $before = $answer['finding'];
            $answer = $this->send($input, $piece);
            if ($before !== $answer['finding']) {
                $output->writeln(sprintf('%s: %s', $answer['finding'], $answer['said']), OutputInterface::OUTPUT_RAW);
            }
            $speed > 0.0 && usleep((int) (self::PIECE / $speed * 1_000_000));
        }

        return 'sound' === $answer['finding'] ? 0 : 1;
    }

    /** @return array{finding: string, said: string} */
    private function send(InputInterface $input, string $piece): array
    {
        if ('' !== self::option($input, 'url')) {
            return $this->post->reading(self::option($input, 'url'), self::option($input, 'token'), $piece);
        }
        $name = $input->getArgument('device');
        $device = is_string($name) ? $this->devices->named($name) : null;
        $reading = $this->readings->receive(
            $device ?? throw InvalidInput::in('device', 'Name a thermometer that is in hand, or use --print.'),
            ReadingDocument::read($piece),
        );

        return ['finding' => $reading->finding, 'said' => $reading->said];
    }

    private static function number(InputInterface $input, string $name, float $low, float $high): float
    {
        $value = self::option($input, $name);

        return is_numeric($value) && (float) $value >= $low && (float) $value <= $high ? (float) $value : throw InvalidInput::in(
            $name, sprintf('--%s is a number from %s to %s.', $name, $low, $high),
        );
    }

    private static function option(InputInterface $input, string $name): string
    {
        $value = $input->getOption($name);

        return is_string($value) ? $value : '';
    }
}
