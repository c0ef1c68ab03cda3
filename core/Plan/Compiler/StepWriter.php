<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Plan\Procedure\Ask;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Procedure\Operation;
use NimbleKnuckle\Core\Plan\Procedure\Supply;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\Item;
use NimbleKnuckle\Core\Plan\Vehicle\Joint;
use NimbleKnuckle\Core\Plan\Vehicle\TrayLine;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;
use NimbleKnuckle\Core\Quantity\Kind;

/** Words and counts of the steps that come from the vehicle sheet: taking off, putting back, tightening. */
final readonly class StepWriter
{
    public function __construct(private VehicleSheet $vehicle)
    {
    }

    public function removal(Item $item, Phase $phase): Step
    {
        $tray = $this->tray($item, false);

        return new Step(
            'off.'.$item->id, $phase, Deed::Remove, 'Take off the '.$item->name, $item->removeNote,
            why: 'It lies in front of what has to be reached.', position: $item->position, minutes: $item->off,
            cautions: [...$item->cautions, ...$this->leftHanded($item, false)],
            tools: self::toolsOf($tray), item: $item->id, tray: $tray,
        );
    }

    public function removalBy(Operation $op, Item $item): Step
    {
        return $this->merged($op, $this->removal($item, $op->phase)->with(why: $op->why));
    }

    public function refit(Item $item, Phase $phase): Step
    {
        $tray = $this->tray($item, true);

        return new Step(
            'on.'.$item->id, $phase, Deed::Refit, 'Refit the '.$item->name, $item->refitNote,
            position: $item->position, minutes: $item->on, tools: self::toolsOf($tray),
            cautions: $this->leftHanded($item, true), item: $item->id, tray: $tray,
        );
    }

    public function refitBy(Operation $op, Item $item): Step
    {
        return $this->merged($op, $this->refit($item, $op->phase)->with(why: $op->why));
    }

    public function tightening(Joint $joint, Phase $phase): Step
    {
        $count = $joint->count();
        $going = $joint->going;
        $goes = count($going->passes) + ($going->angle > 0 ? 1 : 0) + ($going->check ? 0.5 : 0) + 0.3 * ($joint->takeUp()->count ?? 0);
        $each = 0.5 * $count * $goes;
        $cautions = str_contains($joint->seat->material, 'aluminium')
            ? [new Caution('Cast aluminium: start each by hand, three turns free, no power tool.', false)]
            : [];
        $cautions = [...$cautions, ...self::leftHand($joint, true)];

        return new Step(
            'tight.'.$joint->id, $phase, Deed::Tighten, 'Tighten the '.$joint->name, $joint->called->note,
            position: $this->positionOf($joint), minutes: new Minutes(1 + $each * 0.6, 1 + $each, 2 + $each * 2), cautions: $cautions,
            tools: '' === $joint->tools->on ? [] : [$joint->tools->on],
            consumables: '' === $joint->seat->compound || 'dry' === $joint->seat->compound ? [] : [new Supply(
                $joint->seat->compound, 'a drop each',
            )],
            parts: $joint->fastener->isNew() ? [new Supply(
                trim($joint->fastener->thread.' '.$joint->fastener->length).' bolts, '.$joint->name, (string) $count, 'new',
            )] : [],
            joint: $joint->id, asks: $this->lengthAsks($joint),
        );
    }

    /** @return list<Ask> old bolts are measured where the maker gives a longest length */
    private function lengthAsks(Joint $joint): array
    {
        return $joint->fastener->longest <= 0.0 || $joint->fastener->isNew() ? [] : [new Ask(
            'bolt_length', 'Longest of the old bolts, under the head to the tip', Kind::Length, 'mm', true, 0.9 * $joint->fastener->longest,
            $joint->fastener->longest, sprintf('Over the maker’s %s mm: a new bolt.', $joint->fastener->longest),
        )];
    }

    public function tighteningBy(Operation $op, Joint $joint): Step
    {
        return $this->merged($op, $this->tightening($joint, $op->phase)->with(why: $op->why));
    }

    /** The procedure's own words, cautions and supplies over what the vehicle sheet gives. */
    private function merged(Operation $op, Step $base): Step
    {
        return $base->with(
            id: $op->id,
            title: '' === $op->title ? $base->title : $op->title,
            text: self::joined($op->text, $base->text),
            orientation: $op->orientation,
            position: Position::Any === $op->position ? $base->position : $op->position,
            minutes: $op->minutes->isNone() ? $base->minutes : $op->minutes,
            cautions: self::distinct([...$op->cautions, ...$base->cautions]),
            tools: array_values(array_unique([...$op->tools, ...$base->tools])),
            consumables: [...$op->consumables, ...$base->consumables],
            parts: [...$op->parts, ...$base->parts],
            asks: [...$op->asks, ...$base->asks],
            sum: $op->sum,
            until: $op->until,
            tags: $op->tags,
            puts: $op->puts,
        );
    }

    /** Both texts, without a sentence of the second that the first has already. */
    private static function joined(string $first, string $second): string
    {
        $new = array_filter(
            preg_split('/(?<=[.!?])\s+/', $second) ?: [],
            static fn (string $sentence): bool => '' !== $sentence && !str_contains($first, $sentence),
        );

        return trim($first.' '.implode(' ', $new));
    }

    /**
     * @param list<Caution> $cautions
     *
     * @return list<Caution> each text once; where one of the two is to be acknowledged, that one
     */
    private static function distinct(array $cautions): array
    {
        $byText = [];
        foreach ($cautions as $caution) {
            $known = $byText[$caution->text] ?? null;
            $byText[$caution->text] = null !== $known && $known->acknowledge ? $known : $caution;
        }

        return array_values($byText);
    }

    /** @return list<TrayLine> what is counted: loose fasteners and small parts, and the bolts of the item's joints */
    private function tray(Item $item, bool $isRefit): array
    {
        $lines = $item->tray;
        foreach ($this->vehicle->jointsOf($item->id) as $joint) {
            foreach ($joint->byLength() as $length => $count) {
                $lines[] = new TrayLine(
                    trim(sprintf('%s %s', trim($joint->fastener->thread.('' === (string) $length ? '' : ' × '.$length)), $joint->name)),
                    $count, $isRefit ? $joint->tools->on : $joint->tools->off(),
                );
            }
        }

        return $lines;
    }

    /** @return list<Caution> a left-hand thread is said where it is undone and where it is done up */
    private function leftHanded(Item $item, bool $isDoneUp): array
    {
        $said = array_map(static fn (Joint $joint): array => self::leftHand($joint, $isDoneUp), $this->vehicle->jointsOf($item->id));

        return array_merge(...$said);
    }

    /** @return list<Caution> */
    private static function leftHand(Joint $joint, bool $isDoneUp): array
    {
        if (!$joint->fastener->isLeftHand) {
            return [];
        }

        return [new Caution(
            sprintf(
                'Left-hand thread, %s: turn it %s to %s it.', $joint->name,
                $isDoneUp ? $joint->fastener->wayOn() : $joint->fastener->wayOff(),
                $isDoneUp ? 'tighten' : 'undo',
            ),
            !$isDoneUp,
        )];
    }

    /**
     * @param list<TrayLine> $tray
     *
     * @return list<string>
     */
    private static function toolsOf(array $tray): array
    {
        $tools = array_map(static fn (TrayLine $line): string => $line->tool, $tray);

        return array_values(array_unique(array_filter($tools, static fn (string $tool): bool => '' !== $tool)));
    }

    private function positionOf(Joint $joint): Position
    {
        return '' === $joint->item ? Position::Any : $this->vehicle->items[$joint->item]->position;
    }
}
