<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Simulator;

use NimbleKnuckle\App\Devices\DeviceBook;
use NimbleKnuckle\App\Devices\DeviceRecord;
use NimbleKnuckle\App\Devices\Intake\ReadingBook;
use NimbleKnuckle\App\Devices\ReadingDocument;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\Core\Bench\Task\WrenchTask;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Trace\Fault;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\MapInput;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Uid\Ulid;

/**
 * A simulated digital wrench. Named, it pulls the fastener that is next at the step it is in hand for, at the speed of a
 * hand, through the same door as any device; with --url and --token it does so over HTTP. With --print it writes one reading and no more.
 */
#[AsCommand('device:wrench', 'Pull the next fastener with a simulated digital wrench, or print a simulated reading.')]
final class DeviceWrenchCommand
{
    public function __construct(
        private readonly DeviceBook $devices, private readonly ReadingBook $readings, private readonly FitBook $fits,
        private readonly Post $post,
    ) {
    }

    public function __invoke(
        OutputInterface $output, #[MapInput] SimulatedPull $pull, #[Argument('The name of a wrench that is in hand')] string $device = '',
    ): int {
        try {
            $fault = Fault::tryFrom($pull->fault) ?? throw InvalidInput::in('fault', sprintf(
                'That fault is not known: use %s.', implode(', ', array_column(Fault::cases(), 'value')),
            ));
            if ($pull->print) {
                $output->writeln(
                    json_encode($pull->printed($fault), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE), OutputInterface::OUTPUT_RAW,
                );

                return 0;
            }

            return $this->pullAll($pull, $output, $fault, $device);
        } catch (InvalidInput $e) {
            $output->writeln(sprintf('%s: %s', $e->field, $e->getMessage()));

            return 2;
        }
    }

    private function pullAll(SimulatedPull $pull, OutputInterface $output, Fault $fault, string $device): int
    {
        do {
            $answer = $this->pullOne($pull, $fault, $this->device($device));
            $output->writeln(
                sprintf('%s: %s%s', $answer['finding'], $answer['said'], $answer['marked'] ? ' Marked.' : ''),
                OutputInterface::OUTPUT_RAW,
            );
        } while ($pull->all && $answer['marked'] && $this->isMoreToDo($device));

        return $answer['marked'] ? 0 : 1;
    }

    /** @return array{finding: string, said: string, marked: bool} */
    private function pullOne(SimulatedPull $pull, Fault $fault, DeviceRecord $device): array
    {
        $id = (string) new Ulid();
        $answer = ['finding' => '', 'said' => '', 'marked' => false];
        $luck = is_numeric($pull->seed) ? (int) $pull->seed : SimulatedWrench::seed($id);
        foreach (SimulatedWrench::pieces($this->task($device), $id, $fault, $luck) as $piece) {
            $answer = '' === $pull->url ? $this->inProcess($device, $piece) : $this->post->reading($pull->url, $pull->token, $piece);
            $pull->fast || usleep(150_000);
        }

        return $answer;
    }

    /** Whether a fastener is left; that none is, the task itself says by refusing. */
    private function isMoreToDo(string $device): bool
    {
        try {
            $this->task($this->device($device));

            return true;
        } catch (InvalidInput) {
            return false;
        }
    }

    private function device(string $name): DeviceRecord
    {
        '' !== $name || throw InvalidInput::in('device', 'Name the wrench that is in hand, or use --print.');

        return $this->devices->named($name) ?? throw InvalidInput::in('device', sprintf('There is no device “%s”.', $name));
    }

    private function task(DeviceRecord $device): WrenchTask
    {
        '' !== $device->fitId || throw InvalidInput::in(
            'device', sprintf('%s is not in hand: take it in hand at a step of the bench first.', $device->name),
        );

        return $this->readings->wrenchTask($this->fits->get($device->fitId), $device->step);
    }

    /** @return array{finding: string, said: string, marked: bool} */
    private function inProcess(DeviceRecord $device, string $piece): array
    {
        $reading = $this->readings->receive($device, ReadingDocument::read($piece));

        return ['finding' => $reading->finding, 'said' => $reading->said, 'marked' => $reading->marked];
    }
}
