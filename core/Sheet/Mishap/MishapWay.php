<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sheet\Mishap;

use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Procedure\Operation;

/** One way to mend a mishap. */
final readonly class MishapWay
{
    /** What a wait ends at that must be over before the work goes on. */
    public const RESUME = 'resume';

    /** @param non-empty-list<Operation> $operations */
    private function __construct(public string $id, public string $label, public string $text, public array $operations)
    {
    }

    /**
     * @param array<string, list<Operation>> $fragments
     *
     * @throws InvalidDocument
     */
    public static function read(Node $node, array $fragments): self
    {
        $operations = [];
        foreach ($node->nodes('steps') as $step) {
            $included = $step->string('include', '');
            $more = '' === $included ? [self::operation($step)] : $fragments[$included] ?? throw $step->refuse(
                'include', sprintf('there is no fragment “%s”.', $included),
            );
            array_push($operations, ...$more);
        }[] !== $operations || throw $node->refuse('steps', 'a way to mend it has at least one step.');
        self::ensureNames($node, $operations);

        return new self($node->string('id'), $node->string('label'), $node->string('text', ''), $operations);
    }

    public static function operation(Node $node): Operation
    {
        return Operation::read($node->with('phase', 'fit'));
    }

    /**
     * @param list<Operation> $operations
     *
     * @throws InvalidDocument where a step stands twice, or waits for one that is not there
     */
    private static function ensureNames(Node $node, array $operations): void
    {
        $known = [self::RESUME => true];
        foreach ($operations as $operation) {
            !isset($known[$operation->id]) || throw $node->refuse('steps', sprintf('“%s” stands there twice.', $operation->id));
            $known[$operation->id] = true;
        }
        foreach ($operations as $operation) {
            $named = $operation->slot->untils();
            foreach ($operation->needs->puts as $put) {
                array_push($named, ...$put->outs());
            }
            foreach ($named as $id) {
                isset($known[$id]) || throw $node->refuse(
                    'steps', sprintf('“%s” waits for “%s”, which is not there.', $operation->id, $id),
                );
            }
        }
    }
}
