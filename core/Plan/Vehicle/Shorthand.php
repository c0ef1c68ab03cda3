<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Vehicle;

use NimbleKnuckle\Core\Fastening\Grade;
use NimbleKnuckle\Core\Fastening\Material;
use NimbleKnuckle\Core\Fastening\Thread;
use NimbleKnuckle\Core\Quantity\CleanText;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Sum\InvalidInput;

/**
 * A joint on one line, as fast as one can talk: “3x M6x20 8.8 into aluminium casting, 9 Nm / 80 in-lb, dry, reuse, 10 mm socket, ring”.
 *
 * Also “loaded” or “room”, “passes 50 100”, “+ 90° swing 30°”, “gap 3 mm”, “2 first”, “check”. Parts may stand in any order, with or without commas. It reads back what it understood, and says what it did not.
 */
final readonly class Shorthand
{
    private const COMPOUNDS = ['medium threadlocker', 'high-strength threadlocker', 'high strength threadlocker', 'threadlocker', 'anti-seize', 'thread sealant', 'sealant', 'oiled', 'oil', 'dry'];
    private const FRICTIONS = ['medium threadlocker' => 'threadlocker wet', 'high-strength threadlocker' => 'threadlocker wet', 'high strength threadlocker' => 'threadlocker wet', 'threadlocker' => 'threadlocker wet', 'anti-seize' => 'anti-seize', 'thread sealant' => 'oiled', 'sealant' => 'oiled', 'oiled' => 'oiled', 'oil' => 'oiled', 'dry' => 'dry zinc'];

    /**
     * @param array<string, mixed> $joint what a joint of a vehicle sheet holds, as far as the line gives it
     * @param array<string, string> $understood label => what was read
     * @param list<string> $left what was not understood
     * @param list<string> $wrong what was understood and cannot be, each a sentence
     */
    private function __construct(public array $joint, public array $understood, public array $left, public array $wrong = [])
    {
    }

    public static function read(string $line): self
    {
        try {
            $clean = CleanText::of(mb_substr($line, 0, 300));
        } catch (InvalidQuantity $e) {
            return new self([], [], [], [$e->getMessage()]);
        }
        $rest = ' '.trim((string) preg_replace('/[,;]\s|\s+/', ' ', $clean)).' ';
        $joint = [];
        $said = [];
        $wrong = [];
        $take = static function (string $pattern) use (&$rest): ?array {
            if (1 !== preg_match($pattern, $rest, $m)) {
                return null;
            }
            $rest = (string) preg_replace($pattern, ' ', $rest, 1);

            return $m;
        };
        $layout = $take('~\s(ring|line|grid)(?:\s+(\d{1,2}[x×]\d{1,2}))?(?=\s)~ui');
        $count = $take('~\s(\d{1,3})\s?[x×](?=\s?(?:[M#]|\d/\d|\d\d?/\d|\s|[a-z]))~ui');
        $thread = self::thread($take, $wrong);
        $grade = $take('~\s(?:grade\s)?(4\.6|5\.6|5\.8|8\.8|10\.9|12\.9|A2-70|A4-80)(?=\s)~ui');
        $figure = $take('~\s((?:\d+(?:[.,]\d+)?)\s?(?:N\s?[·.-]?\s?m|lbf?[\s·.-]?ft|ft[\s·.-]?lbf?s?|in[\s·.-]?lbf?s?|lbf?[\s·.-]?in|kgf?[\s·.-]?m)(?:\s?[/(]\s?\d+(?:[.,]\d+)?\s?(?:N\s?[·.-]?\s?m|lbf?[\s·.-]?ft|ft[\s·.-]?lbf?s?|in[\s·.-]?lbf?s?|lbf?[\s·.-]?in)\)?)?)(?=[\s+])~ui');
        $angle = $take('~\s?\+\s?(\d{1,3})\s?(?:°|deg|degrees)(?=\s)~ui');
        $swing = $take('~\sswing\s(\d{1,3})\s?(?:°|deg|degrees)?(?=\s)~ui');
        $gap = $take('~\sgap\s(\d{1,2}(?:[.,]\d{1,2})?)\s?mm(?=\s)~ui');
        $first = $take('~\s(?:number\s|no\.?\s?)?(\d{1,3})\sfirst(?=\s)~ui');
        $check = $take('~\s(check(?:\spass|\sround)?)(?=\s)~ui');
        $material = $take('~\sinto\s(aluminium casting|aluminium wrought|aluminium|cast iron|iron|magnesium|steel|brass)(?=\s)~ui');
        $compound = $take('~\s('.implode('|', self::COMPOUNDS).')(?=\s)~ui');
        $when = $take('~\s(loaded|while there is room|room)(?=\s)~ui');
        $passes = $take('~\spasses\s(\d{1,3}(?:[\s/]\d{1,3})*)(?:\s?%)?(?=\s)~ui');
        $reuse = $take('~\s(new|reuse|single[- ]use)(?:\sbolts?)?(?=\s)~ui');
        $tool = $take('~\s(\d{1,2}\s?mm(?:\s(?:deep\s)?(?:socket|spanner|crow-foot))?|[TE]\d{1,2}|hex\s\d{1,2})(?=\s)~ui');
        if (null !== $thread) {
            [$joint['thread'], $length] = $thread;
            $said['thread'] = $joint['thread'];
            if ('' !== $length) {
                $joint['length'] = $said['length'] = $length.' mm';
            }
        }
        $n = null === $count ? 1 : (int) $count[1];
        $shape = strtolower($layout[1] ?? ($n > 2 ? 'ring' : 'line'));
        $joint['layout'] = 'grid' === $shape ? 'grid '.strtr($layout[2] ?? '2x'.max(1, intdiv($n + 1, 2)), ['×' => 'x']) : $shape.' '.$n;
        $said['fasteners'] = sprintf('%d, %s', $n, $joint['layout']);
        if (null !== $grade) {
            $joint['grade'] = $said['grade'] = Grade::parse($grade[1])->value;
        }
        if (null !== $material) {
            $joint['material'] = $said['screws into'] = Material::parse($material[1])->value;
        }
        if (null !== $figure) {
            try {
                $read = Notation::readStatement(Kind::Torque, $figure[1]);
                $joint['figure'] = trim($figure[1]);
                $said['figure'] = sprintf('%s, which is %s N·m', $joint['figure'], round($read[0]->value(), 2));
            } catch (InvalidQuantity $e) {
                $wrong[] = $e->getMessage();
            }
        }
        if (null !== $angle) {
            $joint['angle'] = (float) $angle[1];
            $said['angle'] = $angle[1].'° further';
        }
        if (null !== $swing) {
            $joint['swing'] = (float) $swing[1];
            $said['swing'] = $swing[1].'° a pull';
        }
        if (null !== $gap) {
            $joint['gap'] = (float) strtr($gap[1], [',' => '.']);
            $said['gap'] = sprintf('drawn down evenly by %s mm', $joint['gap']);
        }
        if (null !== $first) {
            $joint['first'] = [(int) $first[1]];
            $said['first'] = 'number '.$first[1].' before the others';
        }
        if (null !== $check) {
            $joint['check'] = true;
            $said['check'] = 'once more round at the full figure';
        }
        if (null !== $compound) {
            $name = mb_strtolower($compound[1]);
            $joint['compound'] = $said['compound'] = $name;
            $joint['friction'] = self::FRICTIONS[$name];
        }
        if (null !== $when) {
            $joint['when'] = ['loaded' === strtolower($when[1]) ? 'loaded' : 'room'];
            $said['when'] = 'loaded' === $joint['when'][0] ? 'only with the weight on' : 'only while there is room';
        }
        if (null !== $passes) {
            $joint['passes'] = array_map(floatval(...), preg_split('~[\s/]~', $passes[1]) ?: []);
            $said['passes'] = implode(', ', $joint['passes']).' %';
        }
        $joint['reuse'] = null !== $reuse && 'reuse' !== strtolower($reuse[1]) ? 'new' : 'reuse';
        $said['reuse'] = 'new' === $joint['reuse'] ? 'new each time' : 'cleaned and reused';
        if (null !== $tool) {
            $joint['tool'] = $said['tool'] = 1 === preg_match('~^\d+\s?mm$~', $tool[1]) ? (int) $tool[1].' mm socket' : trim((string) preg_replace('~(\d)mm~', '$1 mm', $tool[1]));
        }

        return new self($joint, $said, array_values(array_filter(explode(' ', trim($rest)), static fn (string $word): bool => '' !== $word && !in_array($word, [',', '/', '+', 'with', 'and', 'bolts', 'bolt', 'screws'], true))), $wrong);
    }

    /**
     * “6x screws with captive washer, 8 mm socket” as a line of a tray.
     *
     * @return array{thing: string, count: int, tool?: string}
     *
     * @throws InvalidInput
     */
    public static function trayLine(string $line): array
    {
        if (1 !== preg_match('~\A\s*(?<count>\d{1,3})\s*[x×]?\s+(?<thing>[^,]{1,120}?)\s*(?:,\s*(?<tool>.{1,60}))?\s*\z~u', $line, $m) || 0 === (int) $m['count'] || (int) $m['count'] > 200) {
            throw InvalidInput::in('tray', sprintf('“%s”: write a count, what it is, and after a comma its tool, for example “6x screws, 8 mm socket”.', mb_substr($line, 0, 60)));
        }

        return ['thing' => $m['thing'], 'count' => (int) $m['count']] + (isset($m['tool']) ? ['tool' => trim($m['tool'])] : []);
    }

    /**
     * A thread, and a length behind it: M6x20 is 20 long, M10x1.25x40 is fine and 40 long.
     *
     * @param callable(string): (array<array-key, string>|null) $take
     * @param list<string> $wrong gets the sentence for a thread there is none of
     *
     * @return array{string, string}|null
     */
    private static function thread(callable $take, array &$wrong): ?array
    {
        $m = $take('~\s(M\s?\d{1,2}(?:\.\d)?|#\s?\d{1,2}-\d{2}|(?:\d{1,2}/\d{1,2}|[½¼¾⅜⅝])"?-\d{1,2}(?:\sUN[CF])?|G\s?\d/\d)'
            .'(?:-[4-8][gGhH]|-[123][AB])?((?:\s?[x×]\s?\d{0,3}(?:[.,]\d{1,3})?){0,2})(?:-[4-8][gGhH])?(?:\s?mm)?(?=\s)~ui');
        if (null === $m) {
            return null;
        }
        $numbers = array_values(array_filter(preg_split('~\s?[x×]\s?~u', strtr($m[2], [',' => '.'])) ?: [], static fn (string $n): bool => '' !== $n));
        $pitch = isset($numbers[0]) && (float) $numbers[0] <= 3.0 ? array_shift($numbers) : null;
        try {
            return [Thread::parse($m[1].(null === $pitch ? '' : 'x'.$pitch))->name, $numbers[0] ?? ''];
        } catch (InvalidInput $e) {
            $wrong[] = $e->getMessage();

            return null;
        }
    }
}
