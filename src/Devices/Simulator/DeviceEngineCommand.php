<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Simulator;

use NimbleKnuckle\App\Devices\DeviceBook;
use NimbleKnuckle\App\Devices\Intake\ReadingBook;
use NimbleKnuckle\App\Devices\ReadingDocument;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\MapInput;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Uid\Ulid;

/**
 * A simulated engine that warms up: its temperature goes to the step the named thermometer is in hand for, so many times
 * faster than a clock; with --url and --token over HTTP. With --print it writes one reading, ready for warm-up, and no more.
 */
#[AsCommand('device:engine', 'Warm up a simulated engine and send its temperature, or print one warm-up.')]
final class DeviceEngineCommand
{
    private const PIECE = 20.0;

    public function __construct(private readonly DeviceBook $devices, private readonly ReadingBook $readings, private readonly Post $post)
    {
    }

    public function __invoke(
        OutputInterface $output, #[MapInput] SimulatedWarmUp $engine,
        #[Argument('The name of a thermometer that is in hand')] string $device = '',
    ): int {
        try {
            $samples = $engine->samples();
            if ($engine->print) {
                $inputs = ['samples' => $samples, 'opens' => $engine->rating()];
                $output->writeln(json_encode(['sum' => 'warm-up', 'inputs' => $inputs], \JSON_THROW_ON_ERROR), OutputInterface::OUTPUT_RAW);

                return 0;
            }
            $send = '' === $engine->url
                ? fn (string $piece): array => $this->inProcess($device, $piece)
                : fn (string $piece): array => $this->post->reading($engine->url, $engine->token, $piece);

            return $this->sendAll($send, $output, $samples, $engine->pace());
        } catch (InvalidInput $e) {
            $output->writeln(sprintf('%s: %s', $e->field, $e->getMessage()));

            return 2;
        }
    }

    /**
     * @param callable(string): array{finding: string, said: string} $send
     * @param list<array{float, float}> $samples
     */
    private function sendAll(callable $send, OutputInterface $output, array $samples, float $speed): int
    {
        $id = (string) new Ulid();
        $answer = ['finding' => '', 'said' => ''];
        $size = max(1, (int) round(self::PIECE / (($samples[1][0] ?? 2.0) - ($samples[0][0] ?? 0.0))));
        for ($from = 0; $from < count($samples); $from += $size) {
            $piece = SimulatedEngine::document($id, $from, array_slice($samples, $from, $size), $from + $size >= count($samples));
            $before = $answer['finding'];
            $answer = $send($piece);
            if ($before !== $answer['finding']) {
                $output->writeln(sprintf('%s: %s', $answer['finding'], $answer['said']), OutputInterface::OUTPUT_RAW);
            }
            $speed > 0.0 && usleep((int) (self::PIECE / $speed * 1_000_000));
        }

        return 'sound' === $answer['finding'] ? 0 : 1;
    }

    /** @return array{finding: string, said: string} */
    private function inProcess(string $name, string $piece): array
    {
        $reading = $this->readings->receive(
            $this->devices->named($name) ?? throw InvalidInput::in('device', 'Name a thermometer that is in hand, or use --print.'),
            ReadingDocument::read($piece),
        );

        return ['finding' => $reading->finding, 'said' => $reading->said];
    }
}
