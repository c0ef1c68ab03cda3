<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\PasswordType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\Validator\Constraints\Callback;

/**
 * A new password for somebody.
 *
 * @extends AbstractType<array{password: string}>
 */
final class PasswordForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder->add('password', PasswordType::class, [
            'label' => 'New password', 'empty_data' => '', 'help' => 'Every session of the person ends.',
            'attr' => ['autocomplete' => 'new-password'], 'constraints' => [new Callback(PersonForm::passwordIsGood(...))],
        ]);
    }
}
