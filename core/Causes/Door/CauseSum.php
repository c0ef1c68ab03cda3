<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Causes\Door;

use NimbleKnuckle\Core\Causes\CauseDrawing;
use NimbleKnuckle\Core\Causes\CauseTable;
use NimbleKnuckle\Core\Causes\Ranking;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
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

/** The door of causes: a complaint and what was found in, causes in percent and the next check out. */
final readonly class CauseSum implements Sum
{
    private const EXAMPLE = [
        'causes' => [
            ['id' => 'earth', 'name' => 'bad earth', 'prior' => 0.3], ['id' => 'battery', 'name' => 'battery tired', 'prior' => 0.5],
            ['id' => 'none', 'name' => 'none of these', 'prior' => 0.2],
        ],
        'checks' => [
            [
                'id' => 'earth-drop', 'ask' => 'Earth loses while it cranks', 'minutes' => 3,
                'answers' => [['id' => 'low', 'label' => '0.2 V or less'], ['id' => 'high', 'label' => 'more']],
                'chances' => ['earth' => [0.1, 0.9], 'else' => [0.9, 0.1]],
            ],
            [
                'id' => 'rest', 'ask' => 'Battery at rest', 'minutes' => 2,
                'answers' => [['id' => 'good', 'label' => '12.4 V or more'], ['id' => 'low', 'label' => 'less']],
                'chances' => ['battery' => [0.4, 0.6], 'else' => [0.9, 0.1]],
            ],
        ],
    ];

    /** @var array<string, CauseTable> */
    private array $tables;

    public function __construct(CauseTable ...$tables)
    {
        $this->tables = array_combine(array_map(static fn (CauseTable $one): string => $one->id, $tables), $tables);
    }

    public function about(): About
    {
        return new About('cause', 'What is behind it', 'Cause', static fn (): array => [
            Field::text('symptom', 'Complaint', 'slow-start', 'One of the tables that ship; or a table of your own below.')->optional(),
            Field::text('findings', 'Found', 'rest-volts good; feed-drop low', 'Check and answer; “skip” says nothing.')->optional(),
            Field::text('confirmed', 'Confirmed here', 'earth 3; battery 1', 'Cause, and how often it was the one.')->optional(),
            Field::text('table', 'Table', '', 'nimble-knuckle/causes@1 as JSON.')->optional(),
        ], ['table' => json_encode(self::EXAMPLE, \JSON_THROW_ON_ERROR), 'findings' => 'rest good']);
    }

    public function headline(SumResult $r): Headline
    {
        $names = $r->entries('causes');
        $chances = $r->entries('chance');
        $named = (int) round($r->number('named'));

        return new Headline(
            implode(' or ', array_map(strval(...), array_slice($names, 0, $named))), [Headline::figure((float) ($chances[0] ?? 0.0), '%')],
            $r->has('next') ? 'next: '.($r->entries('next')[0] ?? '') : 'nothing left to check',
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        $table = $this->table($in);

        return ['causes', CauseDrawing::of($table, Ranking::of($table, CauseReading::findings($in, $table),
            CauseReading::confirmed($in, $table)))];
    }

    public function compute(Inputs $in): SumResult
    {
        $table = $this->table($in);
        $findings = CauseReading::findings($in, $table);
        $ranking = Ranking::of($table, $findings, CauseReading::confirmed($in, $table));
        $names = array_map(static fn (string $id): string => $table->names[$id] ?? $id, array_keys($ranking->chances));
        $overturn = self::overturn($table, $ranking);
        $next = $ranking->next;

        return new SumResult($this->about()->name, $in->raw, [
            'causes' => Value::names($names), 'ids' => Value::names(array_keys($ranking->chances)),
            'chance' => Value::listOf(
                array_map(static fn (float $one): float => 100 * $one, array_values($ranking->chances)), Unit::Percent->value,
            ),
            'named' => Value::of((float) $ranking->named(), Unit::One->value),
            'enough' => Value::of($ranking->isEnough() ? 1.0 : 0.0, Unit::One->value),
            'overturn' => Value::names('' === $overturn ? [] : [$overturn]),
        ] + (null === $next ? [] : [
            'next' => Value::names([$next->id]), 'minutes' => Value::of($next->minutes, Unit::Minute->value),
        ]), [self::judged($ranking, $names, $overturn)], [
            new Working(
                'Chances', 'prior · P(answer | cause), to one hundred', sprintf('%d of %d checks', count($findings),
                    count($table->checks)),
                sprintf('%s %s %%', $names[0] ?? '', Show::n(100 * max([0.0, ...array_values($ranking->chances)]), 3)),
                'Bayes; each answer believed to 96 in a hundred: working value',
            ),
            new Working(
                'Next', 'most expected bits a minute', null === $next ? 'nothing left' : $next->ask,
                null === $next ? 'none' : Show::n($next->minutes).' min', 'Shannon; dependent checks count once',
            ),
        ]);
    }

    /** Which answer of which check would put another first; empty where none would. */
    private static function overturn(CauseTable $table, Ranking $ranking): string
    {
        if (null === $ranking->overturn) {
            return '';
        }
        [$check, $place, $cause] = $ranking->overturn;

        return sprintf('%s: %s, then %s', $check->ask, $check->labels[$check->answers[$place] ?? ''] ?? '',
            $table->names[$cause] ?? $cause);
    }

    /** @param list<string> $names the likeliest first */
    private static function judged(Ranking $ranking, array $names, string $overturn): Check
    {
        return $ranking->named() > 1
            ? Check::watch('open', sprintf('Not one alone yet: %s.', implode(', ', array_slice($names, 0, $ranking->named()))))
            : Check::ok('likely', sprintf('%s. %s', ucfirst($names[0] ?? ''), '' === $overturn
                ? 'No check that is left would put another first.' : 'What would overturn it: '.$overturn.'.'));
    }

    private function table(Inputs $in): CauseTable
    {
        if ($in->has('table')) {
            $raw = $in->raw['table'] ?? null;
            $raw = is_string($raw) ? json_decode($raw, true, 16) : $raw;
            is_array($raw) || throw InvalidInput::in('table', 'A table is JSON: causes with a prior, checks with answers and chances.');
            try {
                return CauseTable::read(Node::of($raw));
            } catch (InvalidDocument $e) {
                throw InvalidInput::in('table', $e->getMessage());
            }
        }
        $in->has('symptom') || throw InvalidInput::missing('symptom', implode(', ', array_keys($this->tables)) ?: 'or give a table');

        return $this->tables[$in->text('symptom')] ?? throw InvalidInput::in(
            'symptom', sprintf('There is no table of that name: %s.', implode(', ', array_keys($this->tables)) ?: 'give one of your own'),
        );
    }
}
