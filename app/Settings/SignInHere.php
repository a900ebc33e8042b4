<?php

namespace App\Settings;

/** Whether people sign in on this machine as well, once there is a user. */
final class SignInHere implements Entry
{
    use Configured;

    public function name(): string
    {
        return 'signInHere';
    }

    public function configured(): string
    {
        return 'crate.sign_in_here';
    }

    public function checked(mixed $value): bool
    {
        $flag = filter_var($value, FILTER_VALIDATE_BOOLEAN, FILTER_NULL_ON_FAILURE);

        return $flag ?? throw new SettingRefused('Signing in on this machine is either on or off.', 'Choose true or false.');
    }

    public function told(mixed $value): bool
    {
        return (bool) $value;
    }
}
