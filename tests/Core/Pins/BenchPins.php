<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Bench\Law\Law;
use NimbleKnuckle\Core\Bench\Signing\EndNames;
use NimbleKnuckle\Core\Bench\Signing\LooseEnd;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Bench\Task\FillFromBench;
use NimbleKnuckle\Core\Bench\Task\MixFromBench;
use NimbleKnuckle\Core\Bench\Task\WrenchTask;
use NimbleKnuckle\Core\Bench\Told\FitNarrative;
use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Safety\Obstacle;
use NimbleKnuckle\Core\Vehicle\Circuit;
use NimbleKnuckle\Core\Vehicle\Shorthand;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use NimbleKnuckle\Tests\Core\Bench\Law\Careless;
use NimbleKnuckle\Tests\Core\Bench\Law\Worker;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Yaml\Yaml;

/** Whole jobs worked by careless hands: what the law lets through, what it says, and how the bench then stands. */
final readonly class BenchPins implements Pin
{
    private const START = '2026-11-25T08:00:00Z';
    private const STEPS = 260;
    private const LOOK_EVERY = 52;
    private const JOBS = [0, 3, 5, 7];

    public static function values(): iterable
    {
        foreach (self::JOBS as $i) {
            [$vehicleId, $procedures, $choices] = SheetPins::JOBS[$i];
            $vehicle = Sheets::vehicle($vehicleId);
            $sheet = (new Compiler(Sheets::common()))->compile(
                array_map(Sheets::procedure(...), $procedures), new Choices($choices), $vehicle, new Kit([], []),
            );
            foreach ($vehicle->joints as $joint) {
                $ladder = TighteningStages::of($joint);
                yield 'ladder '.$i.' '.$vehicleId.' '.$joint->id => [$ladder, $ladder->snug(), $ladder->final(), $ladder->goes()];
            }
            yield from self::worked((string) $i, new Fit($sheet, $vehicle, FitState::none()), $i);
        }
        yield from self::tasks();
    }

    /** @return iterable<string, mixed> what a measuring wrench is to do next at joints of many kinds, pass by pass */
    private static function tasks(): iterable
    {
        foreach ([
            '3x M8x30 8.8 into aluminium casting 22 Nm + 90°' => ['swing' => 30], '2x M6x20 8.8 9 Nm' => [],
            '4x M10x40 10.9 60 Nm passes 30 60 100 check' => [], '1x M12x60 10.9 40 Nm + 75°' => ['swing' => 50], '2x M8 half turn' => [],
            '4x M8 8.8 20 Nm gap' => ['gap' => 3],
        ] as $line => $more) {
            $fit = self::fitOf($line, $more);
            $joint = $fit->vehicle->joints['thermostat-cover-bolts'];
            for ($stage = 0, $final = TighteningStages::of($joint)->final(); $stage <= $final; ++$stage) {
                yield sprintf('task %s %d', $line, $stage) => [
                    $fit->joints()->nextBolt($joint), WrenchTask::next($fit, $joint), WrenchTask::next($fit, $joint)?->inWords(),
                ];
                foreach ($joint->pattern->order() as $bolt) {
                    $payload = ['joint' => $joint->id, 'bolt' => $bolt, 'stage' => $stage + 1, 'step' => 'housing-tight'];
                    $fit = $fit->then(FitEvent::of(
                        sprintf('01J%023d', 100 * $stage + $bolt), EventType::FastenerMarked, $payload, 'Joss Wending',
                        new \DateTimeImmutable(self::START),
                    ));
                }
            }
        }
    }

    /** @param array<string, mixed> $more */
    private static function fitOf(string $line, array $more): Fit
    {
        $document = Yaml::parseFile(dirname(__DIR__, 3).'/demo/vehicles/veldra-tarn-20t.yaml');
        $document = is_array($document) ? $document : [];
        $joints = is_array($document['joints'] ?? null) ? $document['joints'] : [];
        foreach ($joints as $i => $joint) {
            if (is_array($joint) && 'thermostat-cover-bolts' === ($joint['id'] ?? '')) {
                $kept = array_intersect_key($joint, array_flip(['id', 'role', 'name', 'item']));
                $joints[$i] = $kept + $more + Shorthand::read($line)->joint;
            }
        }

        return new Fit(Sheets::thermostat(), VehicleSheet::read(Node::of(['joints' => $joints] + $document)), FitState::none());
    }

    /** @return iterable<string, mixed> */
    private static function worked(string $name, Fit $fit, int $seed): iterable
    {
        $luck = new Randomizer(new Mt19937($seed));
        [$worker, $careless, $at] = [new Worker($luck), new Careless($luck), new \DateTimeImmutable(self::START)];
        $said = [];
        for ($n = 1; $n <= self::STEPS && null !== $honest = $worker->next($fit); ++$n) {
            $lie = match ($n % 9) {
                4 => $careless->falsified($fit, $honest),
                7 => $careless->hasty($honest),
                default => null,
            };
            foreach (array_values(array_filter([$lie, $honest])) as $k => [$type, $payload, $seconds]) {
                $at = $at->modify(sprintf('+%d seconds', (int) ceil($seconds)));
                $event = FitEvent::of(sprintf('01J%023d', 2 * $n + $k), $type, $payload, 'Joss Wending', $at);
                [$fit, $said[]] = self::tried($fit, $event, 0 === $n % 5 ? Authority::Lead : Authority::Helper, $at);
            }
            if (0 === $n % self::LOOK_EVERY) {
                yield sprintf('law %s %d', $name, $n) => $said;
                yield sprintf('bench %s %d', $name, $n) => self::look($fit, $at);
                $said = [];
            }
        }
        $refusals = static fn (Authority $hand): array => SignOff::of($fit)->refusals($hand);
        yield 'end '.$name => [$said, self::look($fit, $at), $refusals(Authority::Lead), $refusals(Authority::Mechanic)];
        $shown = ['seen' => count(SignOff::of($fit)->review()), 'shown' => (new FitNarrative($fit))->facts()];
        $event = FitEvent::of('01J'.str_repeat('9', 23), EventType::Signed, $shown, 'Ines Tarrow', $at);
        yield 'signed '.$name => self::tried($fit, $event, Authority::Lead, $at)[1];
    }

    /** @return array{Fit, string} */
    private static function tried(Fit $fit, FitEvent $event, Authority $hand, \DateTimeImmutable $at): array
    {
        try {
            (new Law($fit, $hand, $at))->ensure($event);

            return [$fit->then($event), $event->type->value];
        } catch (InvalidEvent $e) {
            return [$fit, $e->getMessage()];
        }
    }

    /** @return list<mixed> what the bench works out of a circuit, as far as it knows it */
    private static function fluids(Circuit $circuit, Fit $fit): array
    {
        return [
            MixFromBench::of($circuit, $fit->state), MixFromBench::of($circuit, $fit->state, 'another'),
            MixFromBench::of($circuit, $fit->state, mb_strtolower($circuit->blend->family)),
            FillFromBench::of($circuit, $fit->state, ['altitude' => '640']), FillFromBench::of($circuit, $fit->state, []),
        ];
    }

    /** @return array<string, mixed> */
    private static function look(Fit $fit, \DateTimeImmutable $now): array
    {
        $steps = $joints = $counted = [];
        foreach ($fit->sheet->steps as $step) {
            if (!$fit->state->isClosed($step->id) && count($steps) < 12) {
                $obstacles = array_map(static fn (Obstacle $one): string => $one->code.': '.$one->text, Gate::at($fit)->of($step));
                $steps[$step->id] = [$obstacles, $fit->course()->waitLeft($step, $now), $fit->course()->runsByItself($step)];
            }
            $count = [$fit->pieces()->counted($step), $fit->pieces()->expected($step), $fit->holds($step), $fit->tools()->missing($step)];
            [0, 0, [], []] === $count || $counted[$step->id] = $count;
        }
        foreach ($fit->vehicle->joints as $joint) {
            $joints[$joint->id] = [
                $fit->joints()->boltsLeft($joint->id), $fit->joints()->nextBolt($joint), $fit->joints()->passFaults($joint->id),
                WrenchTask::next($fit,
                    $joint)?->inWords(),
            ];
        }

        return [
            'ends' => array_map(static fn (LooseEnd $end): string => $end->id.' '.$end->since, SignOff::of($fit)->looseEnds()),
            'review' => SignOff::of($fit)->review(), 'steps' => $steps, 'counted' => $counted, 'joints' => $joints,
            'loose' => $fit->joints()->looseJoints(),
            'left' => $fit->course()->minutesLeft($now), 'at' => $fit->course()->currentStep()->id ?? '',
            'phase' => $fit->course()->currentPhase(),
            'actual' => $fit->actual(), 'gaps' => array_map($fit->flows()->gap(...), $fit->vehicle->circuits),
            'open' => count(SignOff::of($fit)->openSteps()), 'fluids' => array_map(
                static fn (Circuit $circuit): array => self::fluids($circuit, $fit), $fit->vehicle->circuits,
            ),
            'names' => array_map((new EndNames($fit))->of(...), [
                'tool:10 mm spanner', 'support:engine', 'inside:clean rag', 'inside:x', 'wait:drain', 'step:clean',
                'again:clean', 'reading:drained:drained',
                'item:under-pan', 'tray:under-pan', 'broken:under-pan:pins', 'joint:thermostat-cover-bolts',
                'circuit:coolant', 'flow:coolant',
                'due:level-next-morning', 'curve:warm-up', 'dropped:x', 'battery', 'raised', 'x:y', '',
            ]),
        ];
    }
}
