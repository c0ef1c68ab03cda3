<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Procedure;

use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\Asking;
use NimbleKnuckle\Core\Procedure\Load;
use NimbleKnuckle\Core\Procedure\Needs;
use NimbleKnuckle\Core\Procedure\Operation;
use NimbleKnuckle\Core\Procedure\OperationTarget;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\StepTiming;
use NimbleKnuckle\Core\Procedure\Words;
use NimbleKnuckle\Core\Vehicle\Going;
use NimbleKnuckle\Core\Vehicle\JointFigure;
use NimbleKnuckle\Core\Vehicle\ThreadContact;
use PHPUnit\Framework\TestCase;

/** Two operations that are one step, and how a joint is gone about. */
final class OperationTest extends TestCase
{
    private static function operation(string $title, string $text = '', Caution ...$cautions): Operation
    {
        return new Operation(
            'one', StepKind::Act, new OperationTarget('', [], Load::read(Node::of([]))), new Words(
                $title, $text, cautions: array_values($cautions)
            ),
            new StepTiming(Phase::Strip), new Needs(), new Asking(),
        );
    }

    public function testTheOthersNameIsSaidWhereItSaysMore(): void
    {
        $text = static fn (string $title, string $text, string $other, string $more): string => self::operation($title, $text)
            ->and(self::operation($other, $more))->words->text;
        self::assertSame('Undo it.', $text('Battery off', 'Undo it.', 'Off the battery', 'Undo it.'), 'the same by its words');
        self::assertSame('Undo it. Lift the shield off.', $text('Battery off', 'Undo it.', 'Lift the shield off', ''));
        self::assertSame('Undo it. Lift the shield off. Mind it.', $text('Battery off', 'Undo it.', 'Lift the shield off.', 'Mind it.'));
        // Words of three letters name nothing; a word of four does, and is looked for in the text as well.
        self::assertSame('Undo it.', $text('Battery off', 'Undo it.', 'Nut cap pin', ''));
        self::assertSame('Undo it. Pump nut.', $text('Battery off', 'Undo it.', 'Pump nut', ''));
        self::assertSame('Undo the pump.', $text('Battery off', 'Undo the pump.', 'Pump off', ''));
    }

    public function testACautionIsSaidOnceAndAcknowledgedWhereEitherAsks(): void
    {
        $both = self::operation('One', '', new Caution('Hot.', true), new Caution('Sharp.', false))->and(self::operation(
            'Two', '', new Caution('Hot.', false), new Caution('Sharp.', true), new Caution('Heavy.', false),
        ))->words->cautions;
        self::assertSame([['Hot.', true], ['Sharp.', true], ['Heavy.', false]], array_map(
            static fn (Caution $one): array => [$one->text, $one->acknowledge], $both,
        ));
    }

    /** An angle beside a figure that has one is the same to half a degree, or one of them is wrong. */
    public function testAnAngleSaidTwiceIsTheSame(): void
    {
        $going = static fn (array $joint): Going => Going::read(Node::of($joint), JointFigure::read(Node::of($joint)));
        self::assertSame(90.0, $going(['figure' => '20 Nm + 90°'])->angle);
        self::assertSame(45.0, $going(['figure' => '20 Nm', 'angle' => 45])->angle);
        self::assertSame(90.5, $going(['figure' => '20 Nm + 90°', 'angle' => 90.5])->angle);
        foreach ([90.6, 89.4] as $other) {
            try {
                $going(['figure' => '20 Nm + 90°', 'angle' => $other]);
                self::fail((string) $other);
            } catch (InvalidDocument $e) {
                self::assertStringContainsString('the figure says 90° further, and this says '.$other, $e->getMessage());
            }
        }
        self::assertSame([100.0], $going(['figure' => '20 Nm'])->passes);
        self::assertSame([40.0, 100.0], $going(['figure' => '20 Nm', 'passes' => [40, 100]])->passes);
        $this->expectException(InvalidDocument::class);
        $going(['figure' => '20 Nm', 'passes' => [40, 99]]);
    }

    public function testAGripIsKnownOnceAnyOfItIs(): void
    {
        foreach ([
            [[], false], [['shank' => 0.5], true], [['threaded' => 0.5], true], [['shank' => 0, 'threaded' => 0], false],
        ] as [$grip, $isKnown]) {
            self::assertSame($isKnown, ThreadContact::read(Node::of(['grip' => $grip]))->grip->isKnown());
        }
        foreach (['aluminium casting' => true, 'magnesium' => true, 'cast iron' => false, '' => false] as $material => $isSoft) {
            self::assertSame($isSoft, ThreadContact::read(Node::of(['material' => $material]))->isSoft());
        }
    }
}
