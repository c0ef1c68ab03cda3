<?php

declare(strict_types=1);

/*
 * Plays fits by honest and careless hands and prints, one JSON object a line, what the law of the core says after each event: for
 * tests/browser/law.spec.mjs, which holds the law of the tablet against it. php tests/law-run.php SEED …
 */
require dirname(__DIR__).'/vendor/autoload.php';

use NimbleKnuckle\App\Carry\TabletSheet;
use NimbleKnuckle\Core\Bench\EventType;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\FitState;
use NimbleKnuckle\Core\Bench\Hand;
use NimbleKnuckle\Core\Bench\InvalidEvent;
use NimbleKnuckle\Core\Bench\Law\Law;
use NimbleKnuckle\Core\Bench\LooseEnd;
use NimbleKnuckle\Core\Plan\Compiler\Compiler;
use NimbleKnuckle\Core\Plan\Kit\Kit;
use NimbleKnuckle\Core\Plan\Procedure\Choices;
use NimbleKnuckle\Core\Safety\Obstacle;
use NimbleKnuckle\Tests\Core\Bench\Law\Careless;
use NimbleKnuckle\Tests\Core\Bench\Law\Worker;
use NimbleKnuckle\Tests\Core\Plan\Sheets;

const JOBS = [
    ['veldra-tarn-20t', ['thermostat-under'], ['fill' => 'burp']], ['ostrel-vane-s6', ['serpentine-belt'], []],
    ['corrin-drover-27d', ['starter', 'water-pump'], []], ['corrin-drover-27d', ['oil-filter-housing'], []],
    ['pelliver-dray-18', ['chain-tensioner'], []], ['veldra-tarn-20t', ['wastegate-actuator'], []], ['veldra-tarn-20t', ['gate-lock'], []],
];
/** Loose ends and obstacles that need the model of the vehicle stay with the server. */
const ENDS = '~^(dropped|broken|inside|tool|item|joint|tray|circuit|reading|wait|due):~';
const WITHIN = [
    'caution', 'reading-missing', 'reading-outside', 'no-picture', 'tray-count', 'not-put-in', 'tool-missing', 'fasteners', 'pass-order',
];

/** @return array<string, mixed> what the core says of a fit as it stands */
$says = static function (Fit $fit, string $step): array {
    $ends = array_values(array_filter($fit->looseEnds(), static fn (LooseEnd $end): bool => 1 === preg_match(ENDS, $end->id)));
    $next = [];
    foreach ($fit->looseJoints() as $id => $left) {
        $next[$id] = [...$fit->nextBolt($fit->vehicle->joints[$id]), $left, $fit->passFaults($id)];
    }
    $here = $fit->sheet->step($step);
    $within = null === $here ? [] : array_values(array_filter(
        $fit->gate()->within($here), static fn (Obstacle $one): bool => in_array($one->code, WITHIN, true),
    ));

    return [
        'ends' => array_map(static fn (LooseEnd $end): array => [$end->id, $end->what, $end->step, $end->since], $ends),
        'next' => (object) $next,
        'within' => array_map(static fn (Obstacle $one): string => $one->code.' '.$one->text, $within),
        'counted' => null === $here ? 0 : $fit->counted($here),
    ];
};
foreach (array_map(intval(...), array_slice($argv, 1) ?: [1]) as $seed) {
    [$vehicle, $procedures, $choices] = JOBS[$seed % count(JOBS)];
    $sheet = (new Compiler(Sheets::common()))->compile(
        array_map(Sheets::procedure(...), $procedures), new Choices($choices), Sheets::vehicle($vehicle), new Kit([], []),
    );
    $luck = new Random\Randomizer(new Random\Engine\Mt19937($seed));
    [$worker, $careless] = [new Worker($luck), new Careless($luck)];
    $at = new DateTimeImmutable('2026-11-25T08:00:00Z');
    $fit = new Fit($sheet, Sheets::vehicle($vehicle), FitState::none());
    $told = [];
    for ($i = 0; $i < 420; ++$i) {
        $honest = $worker->next($fit);
        if (null === $honest) {
            break;
        }
        $lie = match ($luck->getInt(0, 5)) {
            0 => $careless->hasty($honest),
            1 => $careless->falsified($fit, $honest),
            default => null,
        };
        foreach (array_filter([$lie, $honest]) as [$type, $payload, $seconds]) {
            $at = $at->modify(sprintf('+%d seconds', (int) ceil($seconds)));
            $event = FitEvent::of(sprintf('01J%023d', count($told) + 1), $type, $payload, 'Joss Wending', $at);
            $message = '';
            try {
                $now = new Fit($fit->sheet, $fit->vehicle, $fit->state, $at, $fit->rigs());
                (new Law($now, Hand::Helper, $at))->ensure($event);
                $fit = $fit->then($event);
            } catch (InvalidEvent $e) {
                $message = $e->getMessage();
            }
            $step = EventType::Undone === $type ? $fit->state->lastStep : (string) ($payload['step'] ?? '');
            $told[] = [
                'event' => ['payload' => (object) $event->payload] + $event->toArray(), 'message' => $message, 'step' => $step,
            ] + $says($fit, $step);
        }
    }
    $all = ['seed' => $seed, 'sheet' => TabletSheet::of($fit), 'told' => $told];
    echo json_encode($all, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE)."\n";
}
