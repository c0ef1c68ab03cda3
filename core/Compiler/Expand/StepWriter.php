<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Expand;

use NimbleKnuckle\Core\Compiler\Bind\Ties;
use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Place;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Procedure\Asking;
use NimbleKnuckle\Core\Procedure\Limits;
use NimbleKnuckle\Core\Procedure\Needs;
use NimbleKnuckle\Core\Procedure\Operation;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\StepTiming;
use NimbleKnuckle\Core\Procedure\Supply;
use NimbleKnuckle\Core\Procedure\Words;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sheet\Target;
use NimbleKnuckle\Core\Vehicle\Item;
use NimbleKnuckle\Core\Vehicle\ItemEnd;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\JointEnd;
use NimbleKnuckle\Core\Vehicle\TrayLine;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** Words and counts of the steps that come from the vehicle sheet: taking off, putting back, tightening. */
final readonly class StepWriter
{
    private const UNTIED = 'Out of its hole, that end swung clear, the bolt bagged with its washers. Loose in it, it would still hold.';
    private const UNDONE = 'To the last turns of the thread. They stay on until it is held.';
    /** kg that are said before they are lifted. */
    private const HEAVY = 9.0;

    public function __construct(private VehicleSheet $vehicle)
    {
    }

    public function removal(Item $item, Phase $phase): Step
    {
        $tray = $this->tray($item, false);

        return new Step(
            'off.'.$item->id, StepKind::Remove, new Target($item->id),
            new Words(
                'Take off the '.$item->name, Words::joined($item->handling->removeNote, PartingWords::off($item)),
                'It lies in front of what has to be reached.',
                cautions: [...$item->dangers->cautions, ...self::weight($item), ...$this->leftHanded($item, false)],
            ),
            new StepTiming($phase, $item->access->position, $item->handling->off),
            new Needs([...$item->handling->tools, ...self::toolsOf($tray), ...PartingWords::tools($item)], tray: $tray),
        );
    }

    public function removalBy(Operation $op, Item $item): Step
    {
        return self::merged($op, $this->removal($item, $op->slot->phase));
    }

    public function refit(Item $item, Phase $phase): Step
    {
        $tray = $this->tray($item, true);

        return new Step(
            'on.'.$item->id, StepKind::Refit, new Target($item->id),
            new Words(
                'Refit the '.$item->name, Words::joined(PartingWords::on($item), $item->handling->refitNote),
                cautions: [...$item->dangers->back, ...self::weight($item), ...$this->leftHanded($item, true)],
            ),
            new StepTiming($phase, $item->access->position, $item->handling->on),
            new Needs([...$item->handling->tools, ...self::toolsOf($tray)], parts: PartingWords::parts($item), tray: $tray),
        );
    }

    public function refitBy(Operation $op, Item $item): Step
    {
        return self::merged($op, $this->refit($item, $op->slot->phase));
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
            'tight.'.$joint->id, StepKind::Tighten, new Target(joint: $joint->id),
            new Words(
                'Tighten the '.$joint->name, Words::joined(Words::joined(self::reach($joint), $joint->called->note), self::coating($joint)),
                cautions: $cautions,
            ),
            new StepTiming($phase, $this->positionOf($joint), new Minutes(1 + $each * 0.6, 1 + $each, 2 + $each * 2)),
            $this->needsOf($joint, $count), new Asking($this->lengthAsks($joint)),
        );
    }

    /** Where something else goes on the thread than the figure was meant for. */
    private static function coating(Joint $joint): string
    {
        return '' === $joint->seat->sheetSays ? '' : sprintf(
            'With %s on the threads the figure here is an estimate. The vehicle sheet says %s: ask the maker’s information which '
                .'is meant before you pull.',
            $joint->seat->compound, $joint->seat->sheetSays,
        );
    }

    private function needsOf(Joint $joint, int $count): Needs
    {
        $compound = $joint->seat->compound;

        return new Needs(
            $joint->tools->allOn(),
            '' === $compound || 'dry' === $compound ? [] : [new Supply($compound, 'a drop each')],
            $joint->fastener->isNew() ? [new Supply(
                trim($joint->fastener->thread.' '.$joint->fastener->length).' bolts, '.$joint->name, (string) $count, 'new',
            )] : [],
        );
    }

    /** @return list<Ask> old bolts are measured where the maker gives a longest length */
    private function lengthAsks(Joint $joint): array
    {
        return $joint->fastener->longest <= 0.0 || $joint->fastener->isNew() ? [] : [new Ask(
            'bolt_length', 'Longest of the old bolts, under the head to the tip', Kind::Length, 'mm',
            Limits::between(0.9 * $joint->fastener->longest, $joint->fastener->longest), sprintf(
                'Over the maker’s %s mm: a new bolt.', $joint->fastener->longest,
            ),
        )];
    }

    public function tighteningBy(Operation $op, Joint $joint): Step
    {
        return self::merged($op, $this->tightening($joint, $op->slot->phase));
    }

    /** Loosened and left in its place: what it clamps stays where it is. */
    public function undoingBy(Operation $op, Joint $joint): Step
    {
        $count = $joint->count();

        return self::merged($op, new Step(
            'undo.'.$joint->id, StepKind::Undo, new Target(joint: $joint->id),
            new Words(
                'Undo the '.$joint->name, Ties::isOne($op->id) ? self::UNTIED : self::UNDONE,
                cautions: self::leftHand($joint, false),
            ),
            new StepTiming($op->slot->phase, $this->positionOf($joint), new Minutes(1 + 0.3 * $count, 1 + 0.6 * $count, 2 + 1.5 * $count)),
            new Needs($joint->tools->allOff()),
        ));
    }

    /** The procedure's own words, cautions and supplies over what the vehicle sheet gives. */
    private static function merged(Operation $op, Step $base): Step
    {
        [$said, $slot, $needs] = [$op->words, $op->slot, $op->needs];

        return new Step(
            $op->id, $base->deed, $base->target,
            new Words(
                '' === $said->title ? $base->words->title : $said->title, Words::joined($said->text, $base->words->text), $said->why,
                $said->orientation, Words::distinct([...$said->cautions, ...$base->words->cautions]), $said->second,
            ),
            new StepTiming(
                $slot->phase, Position::Any === $slot->position ? $base->slot->position : $slot->position,
                $slot->minutes->isNone() ? $base->slot->minutes : $slot->minutes, $base->slot->passive, $slot->until,
            ),
            new Needs(
                array_values(array_unique([...$needs->tools, ...$base->needs->tools])),
                [...$needs->consumables, ...$base->needs->consumables], [...$needs->parts, ...$base->needs->parts],
                $base->needs->tray, $needs->puts,
            ),
            new Asking([...$op->asking->asks, ...$base->asking->asks], $op->asking->sum, shot: $op->asking->shot), $op->tags,
        );
    }

    /** @return list<TrayLine> what is counted: loose fasteners and small parts, and the bolts of the item's joints */
    private function tray(Item $item, bool $isRefit): array
    {
        $ends = array_map(
            static fn (ItemEnd $end): TrayLine => new TrayLine($end->name, $end->count, $end->tool), $item->parting->ends,
        );
        $lines = [...$item->tray, ...$ends];
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

    /** Its ends, where they are not reached alike: “upper from above, 15 mm socket; lower from below, held, 15 mm spanner”. */
    private static function reach(Joint $joint): string
    {
        $said = array_map(static fn (JointEnd $end): string => implode(', ', array_filter([
            trim(sprintf('%s end %s', $end->name, Place::Anywhere === $end->place ? '' : $end->place->label())), $end->tool,
            $end->isHeld ? 'held still' : '', ['weight' => 'with the weight on', 'lifted' => 'with it lifted'][$end->body] ?? '',
        ])), $joint->tools->ends);

        return [] === $said ? '' : ucfirst(implode('; ', $said)).'.';
    }

    /** @return list<Caution> what is heavy is said where it comes off and where it goes back */
    private static function weight(Item $item): array
    {
        return $item->dangers->mass < self::HEAVY ? [] : [new Caution(sprintf(
            'About %s kg. Both hands, feet from under it.', round($item->dangers->mass),
        ), false)];
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
        return '' === $joint->item ? Position::Any : $this->vehicle->items[$joint->item]->access->position;
    }
}
