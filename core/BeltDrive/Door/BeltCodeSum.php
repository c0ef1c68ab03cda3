<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive\Door;

use NimbleKnuckle\Core\BeltDrive\BeltCode;
use NimbleKnuckle\Core\BeltDrive\RibDrawing;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/** The door of what stands on a belt. */
final readonly class BeltCodeSum implements Sum
{
    public function about(): About
    {
        return new About('belt-code', 'Read the code on a belt', 'What turns', static fn (): array => [
            Field::text('code', 'Printed on the belt', '6PK1915', 'As it stands there.'),
        ]);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            sprintf('%s ribs, %s', Show::n($r->number('ribs'), 2), (string) ($r->entries('section')[0] ?? '')),
            [Headline::figure($r->number('length'), 'mm')], 'effective length',
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['ribs', RibDrawing::of(self::code($in))];
    }

    private static function code(Inputs $in): BeltCode
    {
        return BeltCode::read($in->text('code')) ?? throw InvalidInput::in('code', sprintf(
            '“%s” is no code of a ribbed belt that is known here: write it as 6PK1915 or K060755.', mb_substr($in->text('code'), 0, 40),
        ));
    }

    public function compute(Inputs $in): SumResult
    {
        $code = self::code($in);
        $checks = '' === $code->unread
            ? [Check::ok('read', sprintf('%d ribs, section %s.', $code->ribs, $code->section->name))]
            : [Check::watch('unread', sprintf('“%s” beside it is not read: a maker’s own mark.', mb_substr($code->unread, 0, 40)))];

        return new SumResult($this->about()->name, $in->raw, [
            'section' => Value::names([$code->section->name]), 'ribs' => Value::of($code->ribs, Unit::One->value),
            'length' => Value::of($code->length, Unit::Millimetre->value),
            'width' => Value::of($code->ribs * $code->section->pitch, Unit::Millimetre->value),
        ], $checks, [
            new Working(
                'Length', 'as printed', $in->text('code'), Show::n($code->length, 5).' mm',
                'ISO 9981; tenths of an inch in the other style',
            ),
            new Working(
                'Width', 'ribs · pitch', sprintf('%d · %s mm', $code->ribs, Show::n($code->section->pitch)),
                Show::n($code->ribs * $code->section->pitch).' mm', 'ISO 9982',
            ),
        ]);
    }
}
