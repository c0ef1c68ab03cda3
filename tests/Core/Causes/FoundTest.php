<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Causes;

use NimbleKnuckle\Core\Causes\CauseScale;
use NimbleKnuckle\Core\Causes\CauseTable;
use NimbleKnuckle\Core\Causes\CheckFindings;
use NimbleKnuckle\Core\Causes\Proof;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Procedure\CommonParts;
use NimbleKnuckle\Core\Procedure\Complaint\ComplaintWork;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

#[CoversClass(CauseScale::class)]
#[CoversClass(ComplaintWork::class)]
#[CoversClass(CheckFindings::class)]
#[CoversClass(Proof::class)]
final class FoundTest extends TestCase
{
    #[DataProvider('readings')]
    public function testWhatWasReadSaysTheAnswer(string $check, string $text, string $answer): void
    {
        $scale = self::slowStart()->checks[$check]->scale ?? self::fail('It is measured.');
        self::assertSame($answer, $scale->answer($scale->value($text)));
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function readings(): iterable
    {
        yield 'a bare number is in volts' => ['earth-drop', '0.35', 'much'];
        yield 'a decimal comma' => ['earth-drop', '0,35 V', 'much'];
        yield 'at the limit it is little still' => ['earth-drop', '0.2', 'little'];
        yield 'a hair above the limit' => ['earth-drop', '0.2001', 'much'];
        yield 'millivolts' => ['earth-drop', '180 mV', 'little'];
        yield 'nothing at all' => ['earth-drop', '0', 'little'];
        yield 'the most of the scale' => ['rest', '16', 'good'];
        yield 'at the edge it is good' => ['rest', '12.4', 'good'];
        yield 'below the edge' => ['rest', '12.39', 'low'];
        yield 'while it cranks' => ['crank', '9.59 V', 'falls'];
    }

    public function testWhatIsPastTheScaleIsRefused(): void
    {
        $this->expectException(InvalidQuantity::class);
        self::slowStart()->checks['rest']->scale?->value('126');
    }

    /** @param list<array<string, mixed>> $answers */
    #[DataProvider('gaps')]
    public function testBandsLeaveNoGapAndShareNothing(array $answers, string $named): void
    {
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessageMatches('/'.$named.'/');
        CauseScale::read(Node::of(['reads' => ['kind' => 'voltage', 'unit' => 'V', 'most' => 16], 'answers' => $answers]));
    }

    /** @return iterable<string, array{list<array<string, mixed>>, string}> */
    public static function gaps(): iterable
    {
        yield 'a gap' => [[['id' => 'a', 'to' => 1], ['id' => 'b', 'from' => 2]], 'at 1 it is none'];
        yield 'shared' => [[['id' => 'a', 'to' => 2], ['id' => 'b', 'from' => 1]], 'none, or two'];
        yield 'nothing to the end' => [[['id' => 'a', 'to' => 2], ['id' => 'b', 'over' => 2, 'to' => 9]], 'what 16 is'];
    }

    public function testWhatTheTableDoesNotKnowIsLeftOut(): void
    {
        $found = CheckFindings::in(self::slowStart(), [
            'rest' => 'low', 'no-such' => 'x', 'crank' => 'perhaps', 'sound' => ['slow'], 'earth-drop' => 'little', 'small-plug' => 'skip',
        ], ['rest' => '12.6', 'earth-drop' => 'a lot', 'sound' => '3', 'small-plug' => '12']);
        self::assertSame(['rest' => 'good', 'earth-drop' => 'little', 'small-plug' => 'skip'], $found->answers, 'the reading wins');
        self::assertSame(['rest' => '12.6'], $found->read);
        self::assertSame(['rest' => 'good', 'earth-drop' => 'little'], $found->made());
        self::assertSame("12.6\u{202f}V", $found->said(self::slowStart()->checks['rest']));
        self::assertSame('0.2 V or less', $found->said(self::slowStart()->checks['earth-drop']));
        self::assertSame('skipped', $found->said(self::slowStart()->checks['crank']));
    }

    public function testTheProofIsWhatPointedToTheCause(): void
    {
        $found = CheckFindings::in(self::slowStart(), self::ANSWERS, ['earth-drop' => '0.62']);
        self::assertSame(['earth-drop'], array_column(Proof::of(self::slowStart(), $found, 'earth'), 'id'), 'slow it is with all of them');
        $flat = CheckFindings::in(self::slowStart(), self::FLAT, []);
        self::assertSame(['rest', 'sound'], array_column(Proof::of(self::slowStart(), $flat, 'battery'), 'id'), 'the most telling first');
        self::assertSame([], Proof::of(self::slowStart(), CheckFindings::in(self::slowStart(), ['rest' => 'skip'], []), 'earth'));
        $none = Proof::of(self::slowStart(), CheckFindings::in(self::slowStart(), ['rest' => 'good'], []), 'battery');
        self::assertSame(['rest'], array_column($none, 'id'), 'the most telling one where none points clearly');
    }

    public function testTheSameAgainIsSeen(): void
    {
        $table = self::slowStart();
        $found = CheckFindings::in($table, self::ANSWERS, ['earth-drop' => '0.62']);
        self::assertTrue($found->isSame($table->checks['earth-drop'], '0.4'));
        self::assertTrue($found->isSame($table->checks['earth-drop'], 'More'), 'said in words');
        self::assertFalse($found->isSame($table->checks['earth-drop'], '0.08 V'));
        self::assertFalse($found->isSame($table->checks['earth-drop'], ''));
        self::assertTrue($found->isSame($table->checks['sound'], 'It turns, slowly'));
        self::assertFalse($found->isSame($table->checks['feed-drop'], 'More'), 'it was not made before');
    }

    public function testAComplaintBecomesStepsThatAskAgain(): void
    {
        $found = CheckFindings::in(self::slowStart(), self::FLAT, ['rest' => '11.9']);
        $document = ComplaintWork::document(self::slowStart(), $found, 'battery');
        $common = CommonParts::read(Node::of(Yaml::parseFile(dirname(__DIR__, 3).'/procedures/common.yaml')));
        $procedure = Procedure::read(Node::of($document), $common);
        self::assertSame(
            ['complaint-slow-start-found', 'complaint-slow-start-rest', 'complaint-slow-start-sound', 'complaint-slow-start-outcome'],
            array_column($procedure->operations, 'id'),
        );
        self::assertStringContainsString("11.9\u{202f}V", $procedure->operations[0]->words->text);
        [$measured] = $procedure->operations[1]->asking->asks;
        self::assertEqualsWithDelta([12.4, 16.0], [$measured->limits->low, $measured->limits->high], 1e-9, 'where it is not as before');
        self::assertTrue($measured->isOutside(12.39));
        self::assertFalse($measured->isOutside(12.4));
        [$heard] = $procedure->operations[2]->asking->asks;
        self::assertTrue($heard->isOutside((float) $heard->limits->valueOf('chatter')), 'as before');
        self::assertTrue($heard->isOutside((float) $heard->limits->valueOf('not-again')), 'not looked at is no proof');
        self::assertFalse($heard->isOutside((float) $heard->limits->valueOf('click')));
        [$outcome] = $procedure->operations[3]->asking->asks;
        self::assertTrue($outcome->standsBeforeSigning() && $measured->standsBeforeSigning() && $heard->standsBeforeSigning());
        $choices = array_column($outcome->limits->choices, 'id');
        self::assertSame(['battery', 'earth', 'feed', 'starter', 'signal', 'engine', 'none', 'cannot-say'], $choices);
        $starter = ComplaintWork::document(self::slowStart(), $found, 'starter');
        self::assertStringContainsString('"The starter itself"', (string) json_encode($starter), 'what was taken for it stands first');
        $two = [$procedure, Procedure::read(Node::of(['id' => 'starter'] + $starter), $common)];
        self::assertSame(['starter'], array_column(ComplaintWork::without($two), 'id'));
        self::assertSame([$procedure], ComplaintWork::without([$procedure]), 'alone it stays');
    }

    private const FLAT = ['sound' => 'chatter', 'rest' => 'low', 'earth-drop' => 'little'];
    private const ANSWERS = ['sound' => 'slow', 'rest' => 'good', 'earth-drop' => 'much'];

    private static function slowStart(): CauseTable
    {
        return CauseTable::read(Node::of(Yaml::parseFile(dirname(__DIR__, 3).'/causes/slow-start.yaml')));
    }
}
