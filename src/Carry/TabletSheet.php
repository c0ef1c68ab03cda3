<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Carry;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Joint\TighteningStage;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Bench\Law\Refusals;
use NimbleKnuckle\Core\Bench\Signing\LooseEnd;
use NimbleKnuckle\Core\Bench\Signing\LooseEndKind;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\State\FluidBalance;
use NimbleKnuckle\Core\Curve\AtOnce;
use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Fluids\Fill\FillStage;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Plan\Stance;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Procedure\Choice;
use NimbleKnuckle\Core\Procedure\Flow;
use NimbleKnuckle\Core\Procedure\PutIn;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Sheet\Mishap\Repair;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Item;
use NimbleKnuckle\Core\Vehicle\TrayLine;

/** What a tablet has to know of a sheet and its vehicle to follow the law by itself (assets/js/law.js and facts.js read it). */
final readonly class TabletSheet
{
    /** Kinds of loose ends a tablet can tell by itself. */
    private const TOLD = [
        LooseEndKind::Dropped, LooseEndKind::Broken, LooseEndKind::Inside, LooseEndKind::Tool, LooseEndKind::Removed, LooseEndKind::Joint,
        LooseEndKind::Tray, LooseEndKind::Circuit, LooseEndKind::Reading, LooseEndKind::Safety, LooseEndKind::Waiting, LooseEndKind::Due,
    ];

    /** How many loose ends there are that only the server can tell. */
    public static function others(Fit $fit): int
    {
        return count(
            array_filter(SignOff::of($fit)->looseEnds(), static fn (LooseEnd $end): bool => !in_array($end->kind, self::TOLD, true))
        );
    }

    /** @return array<string, mixed> steps, joints and circuits as the facts are told from them, and the law of the sheet as rows */
    public static function of(Fit $fit): array
    {
        $joints = [];
        foreach ($fit->vehicle->joints as $joint) {
            $joints[$joint->id] = [
                'name' => $joint->name, 'count' => $joint->count(), 'item' => $joint->item, 'order' => $joint->pattern->order(),
                'rungs' => array_map(
                    static fn (TighteningStage $rung): array => [
                        'label' => $rung->label, 'kind' => $rung->kind->value, 'group' => $rung->group,
                    ],
                    TighteningStages::of($joint)->rungs,
                ),
            ];
        }

        return [
            'steps' => array_map(static fn (Step $step): array => self::step($fit, $step), $fit->sheet->steps), 'joints' => $joints,
            'circuits' => array_map(static fn ($circuit): string => $circuit->name, $fit->vehicle->circuits),
            'wheels' => array_filter(array_map(static fn (Item $item): ?string => $item->access->wheel?->value, $fit->vehicle->items)),
            'stances' => array_combine(
                array_column(Stance::real(), 'value'),
                array_map(static fn (Stance $one): array => [$one->label(), $one->isUp()], Stance::real()),
            ),
            'at_once' => array_column(AtOnce::cases(), 'value'), 'law' => self::law($fit),
        ];
    }

    /** @return array<string, mixed> each row once, by step which hold before it and within it; what can stand against each kind of mark */
    private static function law(Fit $fit): array
    {
        $rows = $places = [];
        $of = ['before' => [], 'within' => []];
        $rules = $fit->rigs()->rules();
        foreach ($fit->sheet->steps as $step) {
            foreach (['before' => $rules->before($step), 'within' => $rules->within($step)] as $when => $found) {
                foreach ($found as $row) {
                    $key = json_encode($row, \JSON_THROW_ON_ERROR);
                    $places[$key] ??= array_push($rows, $row) - 1;
                    $of[$when][$step->id][] = $places[$key];
                }
            }
        }

        return ['rows' => $rows] + $of + [
            'refusals' => array_combine(
                array_column(EventType::cases(), 'value'), array_map(Refusals::of(...), EventType::cases()),
            ),
            'moving' => $rules->moving(),
            'words' => ['most' => InvalidEvent::MOST, 'more' => InvalidEvent::MORE, 'lead' => InvalidEvent::LEAD],
        ];
    }

    /** @return array<string, mixed> */
    private static function step(Fit $fit, Step $step): array
    {
        $circuit = $fit->vehicle->circuits[$step->target->circuit] ?? null;

        return [
            'id' => $step->id, 'deed' => $step->deed->value, 'title' => $step->words->title, 'item' => $step->target->item,
            'itemName' => $fit->vehicle->items[$step->target->item]->name ?? $step->target->item,
            'joint' => $step->target->joint, 'circuit' => $step->target->circuit, 'passive' => $step->slot->passive,
            'tray' => self::tray($fit, $step),
            'cautions' => array_map(static fn (Caution $one): bool => $one->acknowledge, $step->words->cautions),
            'asks' => array_map(static fn (Ask $ask): array => self::ask($ask, $circuit->capacity ?? 0.0), $step->asking->asks),
            'holds' => (string) round($circuit->capacity ?? 0.0, 2),
            'puts' => array_map(static fn (PutIn $put): array => [$put->thing, $put->forGood], $step->needs->puts),
            // Whether the page says what is worked out from readings: on a tablet that took others it would say something else.
            'derived' => '' !== $step->asking->sum || in_array('waste', $step->tags, true)
                || str_starts_with($step->asking->routine, 'vacuum'),
            'tools' => $fit->tools()->listed($step), 'toolsBefore' => $fit->ground()->toolsBefore($step),
            'shot' => $step->asking->shot->value ?? '', 'protects' => Nature::protects($step),
            'minutes' => $step->slot->minutes->likely, 'mends' => Repair::eventOf($step), 'load' => self::load($step),
            'stages' => array_map(
                static fn (FillStage $one): array => [
                    'id' => $one->id, 'title' => $one->title, 'seconds' => $one->seconds, 'ask' => $one->ask,
                ],
                FillRoutine::named($step->asking->routine)->stages ?? [],
            ),
            'followUp' => StepKind::Book === $step->deed ? $step->asking->followUp->id : '', 'due' => $step->asking->followUp->title,
        ];
    }

    /** @return list<array{0: string, 1: int, 2?: string}> thing, how many, and of an end what relies on it, empty for nothing */
    private static function tray(Fit $fit, Step $step): array
    {
        $parting = ($fit->vehicle->items[$step->target->item] ?? null)?->parting;

        return array_map(static function (TrayLine $line) use ($parting): array {
            $end = $parting?->end($line->thing);

            return null === $end ? [$line->thing, $line->count] : [$line->thing, $line->count, $end->guards];
        }, $step->needs->tray);
    }

    /** @return array<string, string|float> */
    private static function load(Step $step): array
    {
        $load = $step->target->load;

        return '' === $load->body ? [] : [
            'body' => $load->body, 'support' => $load->support->value ?? '', 'from' => $load->from->value ?? '', 'way' => $load->way,
            'mm' => $load->mm,
        ];
    }

    /** @return array<string, mixed> */
    private static function ask(Ask $ask, float $capacity): array
    {
        $limits = $ask->limits;

        return [
            'field' => $ask->field, 'label' => $ask->label, 'set' => $limits->isSet, 'low' => $limits->low, 'high' => $limits->high,
            'near' => $limits->near, 'past' => $ask->past, 'safety' => $ask->isSafety(), 'seen' => $ask->isSeenInPicture(),
            'bad' => array_map(static fn (Choice $one): bool => !$one->isGood, $limits->choices),
            'unit' => $ask->kind->baseUnit()->symbol(), 'askedIn' => $ask->unit,
            'most' => Flow::None === $ask->flow ? 0.0 : FluidBalance::MOST * $capacity,
            'answers' => array_map(static fn (Choice $one): array => [$one->id, $one->label], $limits->choices),
        ];
    }
}
