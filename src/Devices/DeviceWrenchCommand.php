<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\Core\Bench\WrenchTask;
use NimbleKnuckle\Core\Bolting\BoltFields;
use NimbleKnuckle\Core\Bolting\Member;
use NimbleKnuckle\Core\Bolting\SpringFields;
use NimbleKnuckle\Core\Bolting\Springs;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Trace\Fault;
use NimbleKnuckle\Core\Trace\Hand;
use NimbleKnuckle\Core\Trace\JointModel;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Uid\Ulid;

/**
 * A simulated digital wrench. Named, it pulls the fastener that is next at the step it is in hand for, at the speed of a
 * hand, through the same door as any device; with --url and --token it does so over HTTP. With --print it writes one reading and no more.
 */
#[AsCommand('device:wrench', 'Pull the next fastener with a simulated digital wrench, or print a simulated reading.')]
final class DeviceWrenchCommand extends Command
{
    public function __construct(
        private readonly DeviceBook $devices, private readonly ReadingBook $readings, private readonly FitBook $fits,
        private readonly Post $post,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $faults = implode(', ', array_map(static fn (Fault $f): string => $f->value, Fault::cases()));
        $this->addArgument('device', InputArgument::OPTIONAL, 'The name of a wrench that is in hand')
            ->addOption('fault', null, InputOption::VALUE_REQUIRED, 'What is wrong: '.$faults, 'none')
            ->addOption('seed', null, InputOption::VALUE_REQUIRED, 'Which of the many like joints', '')
            ->addOption('all', null, InputOption::VALUE_NONE, 'Go on until every fastener is final or one is not sound')
            ->addOption('fast', null, InputOption::VALUE_NONE, 'Do not wait between the pieces')
            ->addOption('url', null, InputOption::VALUE_REQUIRED, 'Send over HTTP to this address')
            ->addOption('token', null, InputOption::VALUE_REQUIRED, 'The device’s token, with --url')
            ->addOption('print', null, InputOption::VALUE_NONE, 'Print one reading of the joint given by the options below')
            ->addOption('target', null, InputOption::VALUE_REQUIRED, 'The figure', '22 N·m')
            ->addOption('thread', null, InputOption::VALUE_REQUIRED, 'Thread', 'M8')
            ->addOption('grade', null, InputOption::VALUE_REQUIRED, 'Grade', '8.8')
            ->addOption('friction', null, InputOption::VALUE_REQUIRED, 'Thread condition', 'oiled')
            ->addOption('shank', null, InputOption::VALUE_REQUIRED, 'Plain shank in the grip', '10 mm')
            ->addOption('threaded', null, InputOption::VALUE_REQUIRED, 'Thread in the grip', '12 mm')
            ->addOption('member', null, InputOption::VALUE_REQUIRED, 'What is clamped', 'aluminium')
            ->addOption('turns', null, InputOption::VALUE_REQUIRED, 'Turns to run down', '1.5');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        try {
            $fault = Fault::tryFrom(self::option($input, 'fault')) ?? throw InvalidInput::in(
                'fault', 'That fault is not known: see --help.',
            );
            if (true === $input->getOption('print')) {
                $output->writeln(
                    json_encode($this->printed($input, $fault), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
                    OutputInterface::OUTPUT_RAW,
                );

                return 0;
            }

            return $this->pullAll($input, $output, $fault);
        } catch (InvalidInput $e) {
            $output->writeln(sprintf('%s: %s', $e->field, $e->getMessage()));

            return 2;
        }
    }

    private function pullAll(InputInterface $input, OutputInterface $output, Fault $fault): int
    {
        do {
            $answer = $this->pullOne($input, $fault);
            $output->writeln(
                sprintf('%s: %s%s', $answer['finding'], $answer['said'], $answer['marked'] ? ' Marked.' : ''),
                OutputInterface::OUTPUT_RAW,
            );
        } while (true === $input->getOption('all') && $answer['marked'] && $this->isMoreToDo($input));

        return $answer['marked'] ? 0 : 1;
    }

    /** @return array{finding: string, said: string, marked: bool} */
    private function pullOne(InputInterface $input, Fault $fault): array
    {
        $device = $this->device($input);
        $id = (string) new Ulid();
        $seed = self::option($input, 'seed');
        $answer = ['finding' => '', 'said' => '', 'marked' => false];
        $luck = is_numeric($seed) ? (int) $seed : SimulatedWrench::seed($id);
        foreach (SimulatedWrench::pieces($this->task($device), $id, $fault, $luck) as $piece) {
            $answer = '' === self::option($input, 'url') ? $this->inProcess($device, $piece) : $this->post->reading(
                self::option($input, 'url'), self::option($input, 'token'), $piece,
            );
            true === $input->getOption('fast') || usleep(150_000);
        }

        return $answer;
    }

    private function isMoreToDo(InputInterface $input): bool
    {
        try {
            $this->task($this->device($input));

            return true;
        } catch (InvalidInput) {
            return false;
        }
    }

    private function device(InputInterface $input): DeviceRecord
    {
        $name = $input->getArgument('device');

        return is_string($name) ? $this->devices->named($name) ?? throw InvalidInput::in(
            'device', sprintf('There is no device “%s”.', $name),
        ) : throw InvalidInput::in('device', 'Name the wrench that is in hand, or use --print.');
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

    /** @return array<string, mixed> a reading, with what it was for, so that it can go straight into trace-judge */
    private function printed(InputInterface $input, Fault $fault): array
    {
        $fields = [BoltFields::thread(), BoltFields::grade(), BoltFields::head(), BoltFields::friction(), ...SpringFields::all()];
        $joint = array_combine(
            $names = ['thread', 'grade', 'friction', 'shank', 'threaded', 'member'],
            array_map(static fn (string $name): string => self::option($input, $name), $names),
        );
        $in = Inputs::of($joint, $fields);
        $bolt = BoltFields::read($in);
        $given = Inputs::of(
            ['target' => self::option($input, 'target'), 'turns' => self::option($input, 'turns')],
            [Field::quantity('target', 'target', Kind::Torque, '22 N·m'), Field::quantity('turns', 'turns', Kind::Number, '1.5')],
        );
        [$target, $turns] = [$given->positive('target', Kind::Torque), $given->between('turns', Kind::Number, 0.1, 20.0)];
        $seed = is_numeric(self::option($input, 'seed')) ? (int) self::option($input, 'seed') : random_int(1, 1_000_000);
        $model = JointModel::of(
            $bolt,
            Springs::of(
                $bolt->thread, $in->length('shank', 0.0, 1000.0), $in->length('threaded', 0.0, 1000.0),
                Member::parse($joint['member']), $bolt->grade,
            ),
            $target, 360 * $turns, $fault, $seed,
        );

        return [
            'format' => ReadingDocument::FORMAT, 'id' => (string) new Ulid(), 'kind' => 'torque-angle', 'from' => 0,
            'samples' => (new Hand($model, $seed))->tighten(), 'done' => true, 'spec' => ['torque' => $target],
            'joint' => $joint + ['turns' => $turns],
        ];
    }

    private static function option(InputInterface $input, string $name): string
    {
        $value = $input->getOption($name);

        return is_string($value) ? $value : '';
    }
}
