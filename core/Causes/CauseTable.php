<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Causes;

use NimbleKnuckle\Core\Document\Node;

/** One complaint: what can be behind it, how often, and what can be checked. Format nimble-knuckle/causes@1. */
final readonly class CauseTable
{
    public const FORMAT = 'nimble-knuckle/causes@1';
    private const SUMS = 0.01;

    /**
     * @param array<string, string> $names cause => in words
     * @param array<string, float> $priors cause => chance before anything is checked
     * @param array<string, string> $leads cause => procedure it leads to; empty for none
     * @param array<string, CauseCheck> $checks
     */
    private function __construct(
        public string $id, public string $title, public array $names, public array $priors, public array $leads, public array $checks,
    ) {
    }

    public static function read(Node $node): self
    {
        self::FORMAT === $node->string('format', self::FORMAT) || throw $node->refuse('format', sprintf('this is not %s.', self::FORMAT));
        $names = $priors = $leads = [];
        foreach ($node->nodes('causes') as $cause) {
            $id = $cause->string('id');
            isset($names[$id]) && throw $cause->refuse('id', sprintf('the cause “%s” stands here twice.', $id));
            $names[$id] = $cause->string('name', $id);
            $priors[$id] = $cause->float('prior');
            $priors[$id] > 0.0 || throw $cause->refuse('prior', 'a cause that never is does not stand here.');
            $leads[$id] = $cause->string('leads', '');
        }
        count($names) >= 2 || throw $node->refuse('causes', 'two causes or more.');
        abs(array_sum($priors) - 1) <= self::SUMS || throw $node->refuse(
            'causes', sprintf('their priors come to one; here to %s. “None of these” is a cause too.', round(array_sum($priors), 3)),
        );
        $checks = [];
        foreach ($node->nodes('checks') as $child) {
            $check = CauseCheck::read($child, array_keys($names));
            isset($checks[$check->id]) && throw $child->refuse('id', sprintf('the check “%s” stands here twice.', $check->id));
            $checks[$check->id] = $check;
        }

        return new self($node->string('id', 'table'), $node->string('title', ''), $names, $priors, $leads, $checks);
    }
}
