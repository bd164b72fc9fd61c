<?php

declare(strict_types=1);

namespace Tests\mutate;

use PhpParser\Node;
use PhpParser\Node\Expr;
use PhpParser\Node\Scalar;
use PhpParser\Node\Stmt;
use PhpParser\NodeVisitor;
use PhpParser\NodeVisitorAbstract;

/** Collects small changes of meaning in one file: each is a part of its text and what stands there instead. */
final class Mutations extends NodeVisitorAbstract
{
    private const OPERATORS = [
        Expr\BinaryOp\Smaller::class => ['<', '<='],
        Expr\BinaryOp\SmallerOrEqual::class => ['<=', '<'],
        Expr\BinaryOp\Greater::class => ['>', '>='],
        Expr\BinaryOp\GreaterOrEqual::class => ['>=', '>'],
        Expr\BinaryOp\Identical::class => ['===', '!=='],
        Expr\BinaryOp\NotIdentical::class => ['!==', '==='],
        Expr\BinaryOp\BooleanAnd::class => ['&&', '||'],
        Expr\BinaryOp\BooleanOr::class => ['||', '&&'],
        Expr\BinaryOp\Plus::class => ['+', '-'],
        Expr\BinaryOp\Minus::class => ['-', '+'],
        Expr\BinaryOp\Mul::class => ['*', '/'],
        Expr\BinaryOp\Div::class => ['/', '*'],
    ];

    /** @var list<array{from: int, to: int, text: string, line: int}> `to` is behind the last byte */
    public array $found = [];

    /** @var array<int, true> by the ids of their objects */
    private array $unreachable = [];

    public function __construct(private readonly string $source) {}

    public function enterNode(Node $node): ?int
    {
        // What is only said, when something is refused, is no meaning.
        if ($node instanceof Expr\Throw_ || $node instanceof Stmt\Declare_ || $node instanceof Node\Attribute) {
            return NodeVisitor::DONT_TRAVERSE_CHILDREN;
        }
        // A value for what cannot be missing, said to the type checker: no test can reach it.
        if ($node instanceof Expr\BinaryOp\Coalesce && $node->right instanceof Scalar) {
            $this->unreachable[spl_object_id($node->right)] = true;
        }
        if (isset($this->unreachable[spl_object_id($node)])) {
            return null;
        }
        if ($node instanceof Expr\BinaryOp && isset(self::OPERATORS[$node::class])) {
            [$operator, $other] = self::OPERATORS[$node::class];
            $from = $node->left->getEndFilePos() + 1;
            $at = strpos(substr($this->source, $from, $node->right->getStartFilePos() - $from), $operator);
            if ($at !== false) {
                $this->add($node, $from + $at, strlen($operator), $other);
            }
        } elseif ($node instanceof Scalar\Int_ || $node instanceof Scalar\Float_) {
            $this->add($node, $node->getStartFilePos(), $node->getEndFilePos() + 1 - $node->getStartFilePos(), $node instanceof Scalar\Int_ ? (string) ($node->value + 1) : var_export($node->value * 2 + 1, true));
        } elseif ($node instanceof Expr\BooleanNot) {
            $this->add($node, $node->getStartFilePos(), 1, '');
        } elseif ($node instanceof Expr\ConstFetch && in_array($node->name->toLowerString(), ['true', 'false'], true)) {
            $this->add($node, $node->getStartFilePos(), strlen($node->name->toString()), $node->name->toLowerString() === 'true' ? 'false' : 'true');
        } elseif ($node instanceof Expr\UnaryMinus) {
            $this->add($node, $node->getStartFilePos(), 1, '+');
        }

        return null;
    }

    private function add(Node $node, int $from, int $length, string $text): void
    {
        $this->found[] = ['from' => $from, 'to' => $from + $length, 'text' => $text, 'line' => $node->getStartLine()];
    }
}
