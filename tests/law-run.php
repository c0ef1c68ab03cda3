<?php

declare(strict_types=1);

/*
 * Plays fits by honest and careless hands and prints, one JSON object a line, what the law of the core says after each event: for
 * tests/browser/law.spec.mjs, which holds the law of the tablet against it. php tests/law-run.php [--one-more] SEED … (with a rule more,
 * that no program knows)
 */
require dirname(__DIR__).'/vendor/autoload.php';

use NimbleKnuckle\App\Carry\TabletSheet;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\BenchRight;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Event\Receipt;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\Law\Law;
use NimbleKnuckle\Core\Bench\Signing\LooseEnd;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Bench\State\PlannedAndActual;
use NimbleKnuckle\Core\Bench\State\Rivals;
use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\CoreException;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Law\Book\Rules;
use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Safety\Obstacle;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Tests\Core\Bench\Law\Careless;
use NimbleKnuckle\Tests\Core\Bench\Law\Stranger;
use NimbleKnuckle\Tests\Core\Bench\Law\Worker;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use NimbleKnuckle\Tests\Core\Safety\Whim;

/** Loose ends that need what only the server holds stay with it. */
const ENDS = '~^(dropped|broken|inside|tool|item|joint|tray|circuit|reading|wait|due):~';
/** What a tablet does not judge: it asks the server. */
const AT_SERVER = ['not-tried', 'outside-band'];

/**
 * @param list<Step> $looked
 *
 * @return array<string, mixed> what the core says of a fit as it stands, and of what stands against some steps
 */
$says = static function (Fit $fit, string $step, array $looked): array {
    $ends = array_values(array_filter(SignOff::of($fit)->looseEnds(), static fn (LooseEnd $end): bool => 1 === preg_match(ENDS, $end->id)));
    $next = [];
    foreach ($fit->joints()->looseJoints() as $id => $left) {
        $next[$id] = [...$fit->joints()->nextBolt($fit->vehicle->joints[$id]), $left, $fit->joints()->passFaults($id)];
    }
    $here = $fit->sheet->step($step);
    $standing = static fn (Step $one): array => array_map(
        static fn (Obstacle $o): array => [$o->code, $o->text, $o->bar->value, $o->step],
        array_values(array_filter(
            [...Gate::at($fit)->before($one), ...Gate::at($fit)->within($one)],
            static fn (Obstacle $o): bool => !in_array($o->code, AT_SERVER, true),
        )),
    );

    return [
        'ends' => array_map(static fn (LooseEnd $end): array => [$end->id, $end->what, $end->step, $end->since], $ends),
        'next' => (object) $next,
        'standing' => array_map($standing, array_combine(array_column($looked, 'id'), $looked)),
        'counted' => null === $here ? 0 : $fit->pieces()->counted($here),
    ];
};
/** @return array{Sheet, string} a sheet of one or two jobs that go on a vehicle of the demonstration, every one in its turn */
$drawn = static function (Random\Randomizer $luck): array {
    $names = static fn (string $folder): array => array_map(
        static fn (string $file): string => basename($file, '.yaml'), glob(dirname(__DIR__).'/'.$folder.'/*.yaml') ?: [],
    );
    $jobs = array_values(array_diff($names('procedures'), ['common']));
    while (true) {
        $vehicle = $luck->shuffleArray($names('demo/vehicles'))[0];
        $procedures = array_slice($luck->shuffleArray($jobs), 0, $luck->getInt(1, 2));
        try {
            return [(new Compiler(Sheets::common()))->compile(
                array_map(Sheets::procedure(...), $procedures), new Choices([]), Sheets::vehicle($vehicle), new Kit([], []),
            ), $vehicle];
        } catch (CoreException) {
            continue;
        }
    }
};
$more = in_array('--one-more', $argv, true);
foreach (array_filter(array_map(intval(...), array_slice($argv, 1))) ?: [1] as $seed) {
    $luck = new Random\Randomizer(new Random\Engine\Mt19937($seed));
    [$sheet, $vehicle] = $drawn($luck);
    [$worker, $careless, $stranger] = [new Worker($luck), new Careless($luck), new Stranger($luck)];
    $at = new DateTimeImmutable('2026-11-25T08:00:00Z');
    $rules = Rules::of(new Ground($sheet, Sheets::vehicle($vehicle)));
    $rigs = new PlannedAndActual($sheet, Sheets::vehicle($vehicle), $more ? $rules->withBefore(new Whim()) : $rules);
    $fit = new Fit($sheet, Sheets::vehicle($vehicle), FitState::none(), rigs: $rigs);
    [$told, $refused] = [[], 0];
    $hands = [Authority::Helper, Authority::Mechanic, Authority::Lead];
    for ($i = 0; $i < 420; ++$i) {
        // Whoever stopped it, somebody takes it up again, at one time or another.
        $honest = null !== $fit->state->stopped && 0 === $i % 3 ? [EventType::TakenUp, [], 60.0] : $worker->next($fit);
        if (null === $honest) {
            break;
        }
        // What was refused again and again a lead passes, each time for another reason.
        $insists = $refused > 2 && EventType::StepDone === $honest[0];
        $honest = $insists ? [$honest[0], $honest[1] + ['reason' => 'looked at it '.str_repeat('again ', $i)], $honest[2]] : $honest;
        $lie = match ($luck->getInt(0, 6)) {
            0 => $careless->hasty($honest),
            1 => $careless->falsified($fit, $honest),
            2 => $stranger->next($fit),
            default => null,
        };
        foreach (array_filter([$lie, $honest, 0 === $luck->getInt(0, 19) ? $honest : null]) as [$type, $payload, $seconds]) {
            $at = $at->modify(sprintf('+%d seconds', (int) ceil($seconds)));
            $hand = $insists ? Authority::Lead : $hands[$luck->getInt(0, 2)];
            $waited = 0 === $luck->getInt(0, 9) ? (float) $luck->getInt(20, 900) : 0.0;
            $message = '';
            try {
                $event = FitEvent::of(
                    sprintf('01J%023d', count($told) + 1), $type, $payload, 'Joss Wending', $at,
                    new Receipt($at->modify(sprintf('+%d seconds', (int) $waited)), $luck->getInt(0, 3) > 0 ? 'one' : 'two', $waited),
                );
                $field = [$event->step(), $event->string('field')];
                $others = EventType::Measured !== $type ? [] : Rivals::ofOthers(
                    $fit->state->rivals(...$field), $fit->state->reading(...$field), $event->receipt->device,
                );
                $event = [] !== $others && 0 === $luck->getInt(0, 1) ? $event->beside($others[0]->event->id) : $event;
            } catch (InvalidEvent) {
                continue;
            }
            $now = new Fit($fit->sheet, $fit->vehicle, $fit->state, $at, $fit->rigs());
            try {
                (new Law($now, $hand, $at))->ensure($event);
                $fit = $fit->then($event);
            } catch (InvalidEvent $e) {
                $message = $e->getMessage();
            }
            $refused = '' === $message ? 0 : $refused + 1;
            $step = EventType::Undone === $type ? $fit->state->lastStep : (string) ($payload['step'] ?? '');
            $looked = array_values(array_filter([
                $fit->sheet->step($step), $fit->sheet->steps[$luck->getInt(0, count($fit->sheet->steps) - 1)],
            ]));
            $told[] = [
                'event' => [
                    'payload' => (object) $event->payload, 'device' => $event->receipt->device, 'beside' => $event->receipt->beside,
                    'late' => $event->wasQueued(),
                    'kept' => (float) $event->receipt->at->format('U.u'), 'happened' => (float) $event->happened()->format('U.u'),
                ] + $event->toArray(),
                'lead' => $hand->may(BenchRight::Overrule), 'now' => (float) $at->format('U.u'), 'message' => $message, 'step' => $step,
            ] + $says(new Fit($fit->sheet, $fit->vehicle, $fit->state, $at, $fit->rigs()), $step, $looked);
        }
    }
    $all = ['seed' => $seed, 'sheet' => TabletSheet::of($fit), 'told' => $told];
    echo json_encode($all, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE)."\n";
}
